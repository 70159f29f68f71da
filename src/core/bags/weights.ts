import type { BagWeights } from '../model'
import { USUAL_WEIGHTS } from './pack'

/** How many times as much as usual something counts. */
export const timesUsual = (weights: Partial<BagWeights>, what: keyof BagWeights): number =>
  (weights[what] ?? USUAL_WEIGHTS[what]) / USUAL_WEIGHTS[what]

/** The same weights with one that counts so many times as much as usual; none is kept for what is as usual. */
export function weighted(weights: Partial<BagWeights>, what: keyof BagWeights, times: number): Partial<BagWeights> {
  const { [what]: _before, ...others } = weights
  return times === 1 ? others : { ...others, [what]: USUAL_WEIGHTS[what] * times }
}
