/** Where the viewer stands by the corners of the work as it is seen from above, its front below: views 0 to 3, in a square of 24 units. */
const CORNERS = [
  [20, 20],
  [20, 4],
  [4, 4],
  [4, 20],
] as const
/** How long the barbs of the arrow are. */
const BARB = 3.5

/**
 * A sign of our own for a picture that is seen from another side next: the work from above, a ring where the viewer stands, and an arrow round
 * it to where he stands then; where he only goes below or above, an arrow through the edge of the work. Path data of SVG and PDF.
 * @param from, to numbers of views
 */
export function sideSign(from: number, to: number): string {
  const work = 'M8 8H16V16H8Z'
  const [a, b] = [from & 3, to & 3]
  const [x, y] = CORNERS[a]!
  const ring = `M${x - 2} ${y}a2 2 0 1 0 4 0a2 2 0 1 0 -4 0`
  if (a === b) return to >= 4 ? `${work}M12 4V20M8.5 16.5L12 20L15.5 16.5` : `${work}M12 20V4M8.5 7.5L12 4L15.5 7.5`
  // The shorter way round; over the corner between them where both are as long.
  const step = (b - a + 4) % 4 === 3 ? 3 : 1
  const corners = [a]
  for (let at = a; at !== b;) corners.push((at = (at + step) % 4))
  const way = corners.map((corner) => CORNERS[corner]!)
  const [tip, last] = [way[way.length - 1]!, way[way.length - 2]!]
  const [dx, dy] = [Math.sign(tip[0] - last[0]), Math.sign(tip[1] - last[1])]
  const barb = (side: number): string =>
    `M${tip[0]} ${tip[1]}L${tip[0] - dx * BARB + dy * side * BARB} ${tip[1] - dy * BARB + dx * side * BARB}`
  return `${work}${ring}M${way.map(([px, py]) => `${px} ${py}`).join('L')}${barb(1)}${barb(-1)}`
}
