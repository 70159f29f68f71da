import { copiesOf, sectionsById, type ModelDocument } from '../model'
import { baseSection, plansById, type SectionPlan } from '../plan'

/**
 * Sections by when they can be begun, from nothing: those of one round need nothing of each other, so several people can build them
 * at the same time; each needs only what earlier rounds finish. Longest chain of what it joins, O(sections and joins).
 */
export function buildRounds({ sections }: Pick<ModelDocument, 'sections'>, plans: readonly SectionPlan[]): string[][] {
  const byId = plansById(plans)
  const documents = sectionsById({ sections })
  const round = new Map<string, number>()
  const roundOf = (plan: SectionPlan): number => {
    const known = round.get(plan.id)
    if (known !== undefined) return known
    // A plan never joins itself; should one do so all the same, the walk ends here.
    round.set(plan.id, 0)
    const copies = new Map(
      copiesOf(documents.get(baseSection(plan, byId)?.id ?? plan.id) ?? NO_COPIES).map((copy) => [copy.id, copy.section]),
    )
    const joined = plan.steps.flatMap(({ moves }) =>
      moves.flatMap((move) => ('section' in move ? move.section : 'copy' in move ? (copies.get(move.copy) ?? []) : [])),
    )
    const needed = joined.flatMap((id) => byId.get(id) ?? []).map(roundOf)
    const own = needed.length === 0 ? 0 : Math.max(...needed) + 1
    round.set(plan.id, own)
    return own
  }
  const rounds: string[][] = []
  for (const plan of plans) {
    if (plan.steps.length === 0) continue
    ;(rounds[roundOf(plan)] ??= []).push(plan.id)
  }
  return rounds.filter((ids) => ids.length > 0)
}

const NO_COPIES = { id: '', name: '' }
