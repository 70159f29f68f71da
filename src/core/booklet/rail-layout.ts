import { stepLabel, type BookletSource } from './pages'
import { PlanIndex } from './plan-index'

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
  readonly row: number
  readonly ties: readonly Tie[]
}

/** A finished lane bends into another: from its last tie to the tie that joins it. */
export interface Bend {
  readonly from: { readonly column: number; readonly row: number }
  readonly to: { readonly column: number; readonly row: number }
}

export interface RailLayout {
  readonly lanes: readonly Lane[]
  readonly bends: readonly Bend[]
  readonly columns: number
}

/**
 * Lays all lanes: one row a section in building order, each step as far left as it can stand, to the right of the step
 * before it and of the last step of every section it joins (longest path over the rail).
 */
export function layRail(source: BookletSource): RailLayout {
  const ends = new Map<string, { column: number; row: number }>()
  const bends: Bend[] = []
  let columns = 0
  const index = new PlanIndex(source)
  const lanes = [...index.sections].map((indexed, row): Lane => {
    const { plan: section, letter } = indexed
    let column = -1
    const ties = section.steps.map((step, place): Tie => {
      const joined = new Set(step.moves.flatMap((move) => index.joined(indexed, move)?.id ?? []))
      column++
      for (const id of joined) column = Math.max(column, (ends.get(id)?.column ?? -1) + 1)
      for (const id of joined) {
        const from = ends.get(id)
        if (from) bends.push({ from, to: { column, row } })
      }
      const pieces = step.callout.reduce((sum, piece) => sum + piece.count, 0)
      return { section: section.id, step: place, label: stepLabel(letter, step.number), column, pieces, joins: joined.size }
    })
    ends.set(section.id, { column, row })
    columns = Math.max(columns, column + 1)
    return { section: section.id, letter, name: section.name, times: section.times + section.mirrored, row, ties }
  })
  return { lanes, bends, columns }
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
    default: {
      const target = row + (walk === 'up' ? -1 : 1)
      const other = layout.lanes[target]
      if (!other) return { row, step }
      const column = lane.ties[step]?.column ?? 0
      const nearest = other.ties.reduce(
        (best, tie, i) => (Math.abs(tie.column - column) < Math.abs(other.ties[best]!.column - column) ? i : best),
        0,
      )
      return { row: target, step: nearest }
    }
  }
}
