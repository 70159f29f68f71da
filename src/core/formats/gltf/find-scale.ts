import type { Shape } from '../../catalogue'
import { fitsOf, shapeExtent, type Triangles } from '../../form'
import { MM_PER_U, type Vec } from '../../space'
import type { DrawnForm } from './pieces'

/** mm a unit that drawings commonly have, and our own. */
const COMMON = [1, 10, 1000, MM_PER_U, 25.4, 100]
/** Forms that are tried at each scale: the common ones say enough. */
const TRIED = 24
/** Forms that vote for a scale. */
const VOTING = 300
/** A peak is this wide: a hundredth, since bodies are drawn a little small. */
const BIN = 0.01
/** How much the ratios of a form's three sides to a shape's may differ. */
const SPREAD = 0.07
/** A scale that people use is taken before one that fits hardly better. */
const ENOUGH = 0.97

const sorted = (size: Vec): number[] => [...size].sort((a, b) => a - b)

/** mm a unit of a drawing, told by its meshes: at which scale do most of them fit a piece? */
export function findScale(forms: readonly DrawnForm[], shapes: readonly Shape[]): number {
  const common = [...forms].sort((a, b) => b.uses - a.uses)
  const tried = common.slice(0, TRIED)
  const fit = new Map<number, number>()
  const fitAt = (mm: number): number => {
    let found = fit.get(mm)
    if (found === undefined) fit.set(mm, (found = shareFitting(tried, shapes, mm)))
    return found
  }
  const bestCommon = COMMON.find((mm) => fitAt(mm) >= ENOUGH) ?? best(COMMON, fitAt)
  if (fitAt(bestCommon) >= ENOUGH) return bestCommon
  const found = best([bestCommon, ...peaks(common.slice(0, VOTING), shapes)], fitAt)
  if (fitAt(bestCommon) >= fitAt(found) * ENOUGH) return bestCommon
  return refined(found, tried, shapes)
}

function best(scales: readonly number[], fitAt: (mm: number) => number): number {
  return scales.reduce((one, other) => (fitAt(other) > fitAt(one) + 1e-9 ? other : one))
}

/** How large a share of forms fits a shape; those in use often, and those with more than a box to tell, count more. */
function shareFitting(forms: readonly DrawnForm[], shapes: readonly Shape[], mm: number): number {
  let [fitting, all] = [0, 0]
  for (const { triangles, uses } of forms) {
    const weight = Math.log2(uses + 1) * Math.min(3, Math.log10(triangles.length))
    all += weight
    const [first] = fitsOf(scaled(triangles, mm / MM_PER_U), shapes)
    if (first) fitting += weight * (1 - Math.min(0.5, first.difference))
  }
  return all === 0 ? 0 : fitting / all
}

export const scaled = (triangles: Triangles, by: number): Triangles => triangles.map((value) => value * by)

/** Scales at which the three sides of many forms are those of shapes. */
function peaks(forms: readonly DrawnForm[], shapes: readonly Shape[]): number[] {
  const votes = new Map<number, number>()
  const sizes = shapes.map((shape) => sorted(shapeExtent(shape).size))
  for (const { size, uses } of forms) {
    const sides = sorted(size)
    if (sides[0]! <= 0) continue
    for (const known of sizes) {
      const ratios = known.map((side, axis) => side / sides[axis]!)
      if (Math.max(...ratios) > Math.min(...ratios) * (1 + SPREAD)) continue
      const bin = Math.round(Math.log(ratios[2]!) / BIN)
      for (const near of [bin - 1, bin, bin + 1]) votes.set(near, (votes.get(near) ?? 0) + Math.log2(uses + 1) * (near === bin ? 2 : 1))
    }
  }
  return [...votes]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 12)
    .map(([bin]) => Math.exp(bin * BIN) * MM_PER_U)
}

/**
 * A scale that fits, made exact: the sides of shapes over those of their drawings, as a line, since drawings may be smaller by the
 * same on all sides; then a round number, where one is near.
 */
function refined(mm: number, forms: readonly DrawnForm[], shapes: readonly Shape[]): number {
  const pairs = forms.flatMap(({ triangles, size, uses }) => {
    const [first] = fitsOf(scaled(triangles, mm / MM_PER_U), shapes)
    if (!first) return []
    const [known, drawn] = [sorted(shapeExtent(first.shape).size), sorted(size)]
    return known.map((side, axis) => ({ side, drawn: drawn[axis]!, weight: Math.log2(uses + 1) }))
  })
  const all = pairs.reduce((sum, { weight }) => sum + weight, 0)
  if (all === 0) return mm
  const [meanSide, meanDrawn] = [
    pairs.reduce((sum, { side, weight }) => sum + side * weight, 0) / all,
    pairs.reduce((sum, { drawn, weight }) => sum + drawn * weight, 0) / all,
  ]
  const spread = pairs.reduce((sum, { drawn, weight }) => sum + weight * (drawn - meanDrawn) ** 2, 0)
  const common = pairs.reduce((sum, { side, drawn, weight }) => sum + weight * (drawn - meanDrawn) * (side - meanSide), 0)
  const exact = spread > 0 ? (common / spread) * MM_PER_U : mm
  const round = Number(exact.toPrecision(3))
  return Math.abs(round / exact - 1) < 0.003 ? round : exact
}
