import type { BagBegin, ModelDocument } from '../model'
import type { ModelPlan } from '../plan'
import { packBags, type BagPlan } from './bags'
import { beginsOf } from './begins'

/** Where a bag of a booklet begins. */
export interface BagStart extends BagBegin {
  readonly bag: number
}

/** Where each bag begins: at the first of its steps. */
function bagStarts({ bags }: Pick<BagPlan, 'bags'>): BagStart[] {
  const begins = beginsOf(bags)
  return bags.flatMap(({ number }, i) => (begins[i] ? [{ bag: number, ...begins[i] }] : []))
}

/** The same of a planned model whose designer wants bags in the booklet; none where nobody asks for them. */
export const askedBags = ({ bags, ...model }: ModelDocument, plan: ModelPlan): BagStart[] =>
  bags ? bagStarts(packBags(model, plan, { ...bags, booklets: bags.booklets ?? 1 })) : []
