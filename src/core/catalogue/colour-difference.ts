/** A colour as the eye weighs it: CIE L*, a*, b* under daylight D65. */
export type Lab = readonly [lightness: number, a: number, b: number]

const WHITE = [0.95047, 1, 1.08883] as const

/** @param hex "#rrggbb" */
export function labOf(hex: string): Lab {
  const [r, g, b] = [1, 3, 5].map((at) => linear(Number.parseInt(hex.slice(at, at + 2), 16) / 255)) as [number, number, number]
  const x = cubeRoot((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / WHITE[0])
  const y = cubeRoot((0.2126729 * r + 0.7151522 * g + 0.072175 * b) / WHITE[1])
  const z = cubeRoot((0.0193339 * r + 0.119192 * g + 0.9503041 * b) / WHITE[2])
  return [116 * y - 16, 500 * (x - y), 200 * (y - z)]
}

const linear = (share: number): number => (share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4)
const cubeRoot = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : ((24389 / 27) * t + 16) / 116)

const degrees = (radians: number): number => ((radians * 180) / Math.PI + 360) % 360
const cosine = (angle: number): number => Math.cos((angle * Math.PI) / 180)
const sine = (angle: number): number => Math.sin((angle * Math.PI) / 180)
const TO_THE_7 = 25 ** 7

/**
 * How different two colours look: CIEDE2000 (Sharma, Wu, Dalal 2005, "The CIEDE2000 color-difference formula:
 * implementation notes, supplementary test data, and mathematical observations"). About 1 can just be told apart side by side.
 */
export function colourDifference([l1, a1, b1]: Lab, [l2, a2, b2]: Lab): number {
  const meanChroma = (Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2
  const stretch = 1.5 - 0.5 * Math.sqrt(meanChroma ** 7 / (meanChroma ** 7 + TO_THE_7))
  const c1 = Math.hypot(a1 * stretch, b1)
  const c2 = Math.hypot(a2 * stretch, b2)
  const h1 = c1 === 0 ? 0 : degrees(Math.atan2(b1, a1 * stretch))
  const h2 = c2 === 0 ? 0 : degrees(Math.atan2(b2, a2 * stretch))
  const lightness = l2 - l1
  const chroma = c2 - c1
  const isGrey = c1 * c2 === 0
  const turn = isGrey ? 0 : shortTurn(h2 - h1)
  const hue = 2 * Math.sqrt(c1 * c2) * sine(turn / 2)

  const meanL = (l1 + l2) / 2
  const meanC = (c1 + c2) / 2
  const meanH = isGrey ? h1 + h2 : meanHue(h1, h2)
  const t = 1 - 0.17 * cosine(meanH - 30) + 0.24 * cosine(2 * meanH) + 0.32 * cosine(3 * meanH + 6) - 0.2 * cosine(4 * meanH - 63)
  const weightL = 1 + (0.015 * (meanL - 50) ** 2) / Math.sqrt(20 + (meanL - 50) ** 2)
  const weightC = 1 + 0.045 * meanC
  const weightH = 1 + 0.015 * meanC * t
  // Blues turn toward violet when they grow pale: the two last terms are tied there.
  const bend = 30 * Math.exp(-(((meanH - 275) / 25) ** 2))
  const tie = -2 * Math.sqrt(meanC ** 7 / (meanC ** 7 + TO_THE_7)) * sine(2 * bend)
  const [dl, dc, dh] = [lightness / weightL, chroma / weightC, hue / weightH]
  return Math.sqrt(dl * dl + dc * dc + dh * dh + tie * dc * dh)
}

const shortTurn = (turn: number): number => (turn > 180 ? turn - 360 : turn < -180 ? turn + 360 : turn)

function meanHue(h1: number, h2: number): number {
  if (Math.abs(h1 - h2) <= 180) return (h1 + h2) / 2
  return h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2
}
