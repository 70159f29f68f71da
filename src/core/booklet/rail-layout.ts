import type { PlanStep } from '../plan'
import { stepLabel, type BookletSource } from './pages'
import { isSmallUnit, PlanIndex, type IndexedSection } from './plan-index'

/** A step on its lane; `column` counts ties from the left over all lanes. */
export interface Tie {
  readonly section: string
  /** From 0. */
  readonly step: number
  readonly label: string
  readonly column: number
  readonly pieces: number
  readonly joins: number
}

export interface Lane {
  readonly section: string
  readonly letter: string
  readonly name: string
  readonly times: number
  /** Its place in the order of building, from 0. */
  readonly row: number
  /** The line that it is drawn on, from 0: a unit of one step has none of its own, it stands on that of what it goes into. */
  readonly line: number
  readonly isInset: boolean
  readonly ties: readonly Tie[]
}

/** A place on the drawn rail. */
export interface RailPoint {
  readonly column: number
  readonly line: number
}

/** A finished lane bends into another: from its last tie to the tie that joins it. */
export interface Bend {
  readonly from: RailPoint
  readonly to: RailPoint
}

export interface RailLayout {
  readonly lanes: readonly Lane[]
  readonly bends: readonly Bend[]
  readonly columns: number
  readonly lines: number
}

/**
 * Lays all lanes: one line a section in building order, each step as far left as it can stand, to the right of the step before it
 * and of the last step of every section it joins (longest path over the rail). A unit of one step is a tie on the lane that it goes
 * into, right before the step that joins it.
 */
export const layRail = (source: BookletSource): RailLayout => new RailBuilder(source).layout()

class RailBuilder {
  private readonly index: PlanIndex
  private readonly ends = new Map<string, RailPoint>()
  private readonly lanes = new Map<string, Lane>()
  private readonly bends: Bend[] = []
  private lines = 0
  private columns = 0

  constructor(source: BookletSource) {
    this.index = new PlanIndex(source)
  }

  layout(): RailLayout {
    const all = [...this.index.sections]
    for (const section of all) if (!isSmallUnit(section)) this.lay(section)
    // One that nothing joins has a line all the same.
    for (const section of all) if (!this.lanes.has(section.plan.id)) this.lay(section)
    return { lanes: all.map(({ plan }) => this.lanes.get(plan.id)!), bends: this.bends, columns: this.columns, lines: this.lines }
  }

  private lay(section: IndexedSection): void {
    const line = this.lines++
    let column = -1
    const ties = section.plan.steps.map((step): Tie => {
      column = this.layInsets(section, step, { column, line })
      const tie = this.tie(section, step, { column: column + 1, line })
      column = tie.column
      return tie
    })
    this.ends.set(section.plan.id, { column, line })
    this.keep(section, { line, isInset: false, ties })
  }

  /** The units of one step that a step joins, and those within them first. @returns the last column that is taken */
  private layInsets(section: IndexedSection, step: PlanStep, { column, line }: RailPoint): number {
    let last = column
    for (const id of this.joinedBy(section, step)) {
      const unit = this.index.section(id)
      if (!unit || !isSmallUnit(unit) || this.lanes.has(id)) continue
      const only = unit.plan.steps[0]!
      last = this.layInsets(unit, only, { column: last, line })
      const tie = this.tie(unit, only, { column: last + 1, line })
      last = tie.column
      this.ends.set(id, { column: last, line })
      this.keep(unit, { line, isInset: true, ties: [tie] })
    }
    return last
  }

  private keep({ plan, letter, name, index }: IndexedSection, drawn: Pick<Lane, 'line' | 'isInset' | 'ties'>): void {
    this.columns = Math.max(this.columns, (drawn.ties.at(-1)?.column ?? -1) + 1)
    this.lanes.set(plan.id, { section: plan.id, letter, name, times: plan.times + plan.mirrored, row: index, ...drawn })
  }

  /** @param least the first place that it may have */
  private tie(section: IndexedSection, step: PlanStep, { column: least, line }: RailPoint): Tie {
    const joined = this.joinedBy(section, step)
    const column = Math.max(least, ...[...joined].map((id) => (this.ends.get(id)?.column ?? -1) + 1))
    for (const id of joined) {
      const from = this.ends.get(id)
      // What stands on the lane itself needs no bend.
      if (from && from.line !== line) this.bends.push({ from, to: { column, line } })
    }
    const pieces = step.callout.reduce((sum, piece) => sum + piece.count, 0)
    const label = stepLabel(section.letter, step.number)
    return { section: section.plan.id, step: step.number - 1, label, column, pieces, joins: joined.size }
  }

  private joinedBy(section: IndexedSection, step: PlanStep): Set<string> {
    return new Set(step.moves.flatMap((move) => this.index.joined(section, move)?.id ?? []))
  }
}

export type Walk = 'next' | 'before' | 'up' | 'down' | 'first' | 'last'

/** Where an arrow key leads from a step: along the lane and over its end into the next lane, or to the nearest tie of a lane above or below. */
export function walkRail(layout: RailLayout, row: number, step: number, walk: Walk): { row: number; step: number } {
  const lane = layout.lanes[row]!
  const lastOf = (r: number): number => Math.max(0, layout.lanes[r]!.ties.length - 1)
  switch (walk) {
    case 'next':
      if (step < lane.ties.length - 1) return { row, step: step + 1 }
      return row < layout.lanes.length - 1 ? { row: row + 1, step: 0 } : { row, step }
    case 'before':
      if (step > 0) return { row, step: step - 1 }
      return row > 0 ? { row: row - 1, step: lastOf(row - 1) } : { row, step }
    case 'first':
      return { row, step: 0 }
    case 'last':
      return { row, step: lastOf(row) }
    default:
      return walkAcross(layout, lane, { step, by: walk === 'up' ? -1 : 1 })
  }
}

/** The nearest tie on the line above or below, be it of a lane or of a unit that stands on it. */
function walkAcross(
  { lanes }: RailLayout,
  lane: Lane,
  { step, by }: { readonly step: number; readonly by: 1 | -1 },
): { row: number; step: number } {
  const column = lane.ties[step]?.column ?? 0
  const there = lanes.filter(({ line }) => line === lane.line + by).flatMap(({ row, ties }) => ties.map((tie) => ({ row, tie })))
  const far = ({ tie }: (typeof there)[number]): number => Math.abs(tie.column - column)
  const [first, ...rest] = there
  if (!first) return { row: lane.row, step }
  const nearest = rest.reduce((best, each) => (far(each) < far(best) ? each : best), first)
  return { row: nearest.row, step: nearest.tie.step }
}
