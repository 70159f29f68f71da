import { pieceKey, type PieceCount } from '../count'
import { copiesOf, sectionsById, type ModelDocument } from '../model'
import { baseOfDerived, type ModelPlan, type SectionPlan } from '../plan'

/** One step done for all copies before the next is begun. */
export interface LineStep {
  readonly section: string
  /** From 1. */
  readonly step: number
  /** How often it is done one after another. */
  readonly times: number
  /** For all of these together. */
  readonly pieces: readonly PieceCount[]
}

/**
 * Many copies as an assembly line makes them: each step is done for all of them before the next, so that pieces are laid out once; of
 * sections that may come next, the one that goes on with most of the kinds that lie there already comes first (nearest neighbour).
 */
export function assemblyLine(model: ModelDocument, { sections }: Pick<ModelPlan, 'sections'>, copies: number): LineStep[] {
  const waits = waitingFor(model, sections)
  const open = sections.filter(({ times, mirrored, steps }) => times + mirrored > 0 && steps.length > 0)
  const done = new Set(sections.filter((section) => !open.includes(section)).map(({ id }) => id))
  const lines: LineStep[] = []
  let there: ReadonlySet<string> = new Set()
  while (open.length > 0) {
    const ready = open.filter(({ id }) => [...waits.get(id)!].every((each) => done.has(each)))
    const alike = (section: SectionPlan): number => [...kindsOf(section)].filter((kind) => there.has(kind)).length
    const next = ready.reduce((best, each) => (alike(each) > alike(best) ? each : best))
    open.splice(open.indexOf(next), 1)
    done.add(next.id)
    there = kindsOf(next)
    const times = (next.times + next.mirrored) * copies
    for (const { number, callout } of next.steps)
      lines.push({ section: next.id, step: number, times, pieces: callout.map((piece) => ({ ...piece, count: piece.count * times })) })
  }
  return lines
}

const kindsOf = ({ steps }: SectionPlan): ReadonlySet<string> => new Set(steps.flatMap(({ callout }) => callout.map(pieceKey)))

/** Of each section those that it joins. */
function waitingFor(model: ModelDocument, sections: readonly SectionPlan[]): Map<string, Set<string>> {
  const documents = sectionsById(model)
  return new Map(
    sections.map(({ id, steps }) => {
      const document = documents.get(id) ?? documents.get(baseOfDerived(id))
      const copies = new Map((document ? copiesOf(document) : []).map((copy) => [copy.id, copy.section]))
      const joined = steps.flatMap(({ moves }) =>
        moves.flatMap((move) => ('section' in move ? [move.section] : 'copy' in move ? [copies.get(move.copy) ?? []].flat() : [])),
      )
      return [id, new Set(joined)]
    }),
  )
}
