import type { ModelDocument } from '../model'
import type { ModelPlan } from '../plan'
import { packBags, type BagPlan } from './bags'

/** Where a bag of a booklet begins: at a step (from 1) of a section, the so manieth time (from 1) that section is built. */
export interface BagStart {
  readonly bag: number
  readonly section: string
  readonly step: number
  readonly time: number
}

/** Where each bag begins: at the first of its steps. */
function bagStarts({ bags }: Pick<BagPlan, 'bags'>): BagStart[] {
  /** How often the steps of a section from one on were built out of earlier bags. */
  const built = new Map<string, number>()
  return bags.flatMap(({ number, work }) => {
    const times = work.map(({ section, from }) => (built.get(`${section} ${from}`) ?? 0) + 1)
    work.forEach(({ section, from, times: plain, mirrored }) => {
      const key = `${section} ${from}`
      built.set(key, (built.get(key) ?? 0) + plain + mirrored)
    })
    const [first] = work
    return first ? [{ bag: number, section: first.section, step: first.from, time: times[0]! }] : []
  })
}

/** The same of a planned model whose designer wants bags in the booklet; none where nobody asks for them. */
export const askedBags = ({ bags, ...model }: ModelDocument, plan: ModelPlan): BagStart[] =>
  bags ? bagStarts(packBags(model, plan, { pieces: bags.pieces, booklets: bags.booklets ?? 1 })) : []
