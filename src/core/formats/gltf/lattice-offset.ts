import { vecOf, type Vec } from '../../space'

/** A place this far from a whole u, after the common offset, is not on the same lattice, u. */
export const LATTICE_TOLERANCE = 0.3
const BINS = 40
/** What belongs to a peak, u. */
const NEAR = 0.15

/** What all places are off whole u by, of each axis: most of them, since some may stand on another lattice. */
export function latticeOffset(places: readonly Vec[]): Vec {
  return vecOf((axis) => commonFraction(places.map((place) => place[axis])))
}

function commonFraction(values: readonly number[]): number {
  if (values.length === 0) return 0
  const votes = new Float64Array(BINS)
  const fractions = values.map((value) => value - Math.floor(value))
  for (const fraction of fractions) {
    const bin = Math.floor(fraction * BINS) % BINS
    for (const near of [bin - 1, bin, bin + 1]) votes[(near + BINS) % BINS]! += near === bin ? 2 : 1
  }
  const peak = (votes.indexOf(Math.max(...votes)) + 0.5) / BINS
  // Around the peak, the way round of a circle.
  let [sum, count] = [0, 0]
  for (const fraction of fractions) {
    const apart = fraction - peak - Math.round(fraction - peak)
    if (Math.abs(apart) > NEAR) continue
    sum += apart
    count++
  }
  const offset = peak + (count > 0 ? sum / count : 0)
  const least = offset - Math.round(offset)
  return Math.abs(least) < 1e-3 ? 0 : least
}
