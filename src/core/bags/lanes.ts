import { ADVICE_IN_ENGLISH } from '../language'
import type { ModelDocument } from '../model'
import { plansById, type ModelPlan } from '../plan'
import type { BagPlan } from './bags'
import { stepJoins } from './work'

/** When a bag is built, counted in pieces: each takes about as long as the next. */
interface LaneBag {
  readonly number: number
  readonly from: number
  readonly to: number
  /** Numbers of booklets whose work it has to wait for, beyond its own bag before. */
  readonly waitsFor: readonly number[]
}

/** The bags of one booklet, one after another. */
interface BookletLane {
  readonly booklet: number
  readonly bags: readonly LaneBag[]
}

/** Several booklets that are built at the same time: when each bag is, and who waits for whom. */
export interface BookletLanes {
  readonly lanes: readonly BookletLane[]
  /** Until all is built, and how long one builder would take alone, in pieces. */
  readonly length: number
  readonly alone: number
}

/** What joins a section needs that one finished; the builders of one booklet wait for those of another only there. */
export function bookletLanes(model: ModelDocument, plan: ModelPlan, { bags, booklets }: BagPlan): BookletLanes {
  const joinsOf = stepJoins(model)
  const plans = plansById(plan.sections)
  const bookletOf = new Map(booklets.flatMap(({ number, sections }) => sections.map((id) => [id, number] as const)))
  /** When the last of a section is finished. */
  const finished = new Map<string, number>()
  const lanes = booklets.map(({ number }): BookletLane => {
    let now = 0
    const lane = bags
      .filter(({ booklet }) => booklet === number)
      .map(({ number: bag, work, pieces }): LaneBag => {
        const joined = work.flatMap(({ section, from: first, to }) => joinsOf(section, plans.get(section)!.steps.slice(first - 1, to)))
        const others = joined.map(({ section }) => section).filter((id) => bookletOf.get(id) !== number)
        const late = others.filter((id) => (finished.get(id) ?? 0) > now)
        const from = Math.max(now, ...late.map((id) => finished.get(id)!))
        now = from + pieces
        for (const { section } of work) finished.set(section, now)
        return { number: bag, from, to: now, waitsFor: [...new Set(late.map((id) => bookletOf.get(id)!))].sort((a, b) => a - b) }
      })
    return { booklet: number, bags: lane }
  })
  return {
    lanes,
    length: Math.max(0, ...lanes.map(({ bags: own }) => own.at(-1)?.to ?? 0)),
    alone: bags.reduce((sum, { pieces }) => sum + pieces, 0),
  }
}

/** "Three builders are ready in the time that one takes for 210 of 600 pieces." */
export const lanesWords = ({ lanes, length, alone }: BookletLanes, { say } = ADVICE_IN_ENGLISH): string =>
  say({ key: 'bags.lanes', about: { lanes: lanes.length, length, alone } })
