import { copiesOf, partsOf, sectionsById, type ModelDocument } from '../model'
import { mirrorTray, tally, total, type PieceCount } from '../count'
import { baseOfDerived, type ModelPlan, type SectionPlan } from '../plan'

/** A run of steps of one section, as often as it stands here: what a bag is for. */
export interface BagWork {
  readonly section: string
  /** Numbers of steps, both included. */
  readonly from: number
  readonly to: number
  /** How often it is built as it stands, and how often as its mirror image. */
  readonly times: number
  readonly mirrored: number
}

/** How often a section is built, as it stands and mirrored. */
export interface Uses {
  readonly times: number
  readonly mirrored: number
}

/** A planned section with what bags ask of it. */
export interface WorkSection {
  readonly plan: SectionPlan
  /** Pieces of each step. */
  readonly sizes: readonly number[]
  /** Pieces of all steps, once. */
  readonly size: number
  /** What building it once takes of other sections, by id. */
  readonly joins: ReadonlyMap<string, Uses>
  /** Ids of the copies that it joins. */
  readonly copies: readonly string[]
  readonly isFigure: boolean
}

/** A section that a step joins: which, whether as its mirror image, and by which copy of the document; none for a unit drawn together. */
interface StepJoin {
  readonly section: string
  readonly isMirrored: boolean
  readonly copy?: string
}

/** What runs of steps join, told by the document. */
export function stepJoins(model: ModelDocument): (section: string, steps: SectionPlan['steps']) => StepJoin[] {
  const sections = sectionsById(model)
  return (id, steps) => {
    const document = sections.get(id) ?? sections.get(baseOfDerived(id))
    const copies = new Map((document ? copiesOf(document) : []).map((copy) => [copy.id, copy]))
    return steps.flatMap(({ moves }) =>
      moves.flatMap((move): StepJoin[] => {
        if ('section' in move) return [{ section: move.section, isMirrored: false }]
        const copy = 'copy' in move ? copies.get(move.copy) : undefined
        return copy ? [{ section: copy.section, isMirrored: copy.mirror !== undefined, copy: copy.id }] : []
      }),
    )
  }
}

/** The planned sections that are built, in building order, by id. */
export function workSections(model: ModelDocument, plan: ModelPlan): ReadonlyMap<string, WorkSection> {
  const sections = sectionsById(model)
  const joinsOf = stepJoins(model)
  const recipes = new Set((model.figures ?? []).map(({ section }) => section))
  return new Map(
    plan.sections
      .filter(({ times, mirrored, steps }) => times + mirrored > 0 && steps.length > 0)
      .map((section): [string, WorkSection] => {
        const joins = new Map<string, { times: number; mirrored: number }>()
        const joined = joinsOf(section.id, section.steps)
        for (const { section: of, isMirrored } of joined) {
          const uses = joins.get(of) ?? { times: 0, mirrored: 0 }
          if (isMirrored) uses.mirrored++
          else uses.times++
          joins.set(of, uses)
        }
        const sizes = section.steps.map(({ callout }) => total(callout))
        const own = sections.get(section.id)
        return [
          section.id,
          {
            plan: section,
            sizes,
            size: sizes.reduce((sum, size) => sum + size, 0),
            joins,
            copies: joined.flatMap(({ copy }) => copy ?? []),
            isFigure: recipes.has(section.id) || (own !== undefined && isFigureSection(partsOf(own).map(({ shape }) => shape))),
          },
        ]
      }),
  )
}

/** Mostly pieces of figures, and more than one. */
function isFigureSection(shapes: readonly string[]): boolean {
  const figures = shapes.filter((shape) => shape.startsWith('figure-')).length
  return figures > 1 && figures * 2 > shapes.length
}

/** How often some work is done in all. */
export const timesOf = ({ times, mirrored }: Uses): number => times + mirrored

/** The pieces of some work: its callouts, and their mirror twins, as often as they are built. */
export function trayOfWork(model: ModelDocument, sections: ReadonlyMap<string, WorkSection>, work: readonly BagWork[]): PieceCount[] {
  return tally(
    work.flatMap(({ section, from, to, times, mirrored }) => {
      const own = sections
        .get(section)!
        .plan.steps.slice(from - 1, to)
        .flatMap(({ callout }) => callout)
      const repeated = (pieces: readonly PieceCount[], count: number) => pieces.map((piece) => ({ ...piece, count: piece.count * count }))
      return [...repeated(own, times), ...(mirrored > 0 ? repeated(mirrorTray(model, own), mirrored) : [])]
    }),
  )
}
