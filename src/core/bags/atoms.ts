import type { BagWork, Uses, WorkSection } from './work'

/** Work that stays in one bag: a step once, or a whole figure. */
export interface Atom {
  readonly work: readonly BagWork[]
  readonly pieces: number
  /** Its section, and which of the times it is built: where one ends, a bag may end without cutting anything. */
  readonly section: string
  readonly instance: number
  /** The last of a section built once. */
  readonly isLast: boolean
}

/**
 * All work of some sections as a row of atoms, in an order in which it can be built: sections before those that join them, each time
 * one is built before the next. Figures are one atom each time, with what they join, unless they are too large for a bag.
 *
 * @param most pieces in a bag
 */
export function atomsOf(order: readonly string[], sections: ReadonlyMap<string, WorkSection>, most: number): Atom[] {
  const left = new Map(order.map((id) => [id, usesOf(sections.get(id)!)]))
  const within = new Set(order)
  const figures = order.filter((id) => sections.get(id)!.isFigure && !isJoinedByFigure(id, order, sections))
  // What figures take is theirs; what is left of a section is built for others.
  const whole = new Map<string, Map<string, Uses>>()
  for (const id of figures) {
    const { times, mirrored } = left.get(id)!
    const one = expanded(id, { times: 1, mirrored: 0 }, sections, within)
    const size = [...one].reduce((sum, [each, uses]) => sum + sections.get(each)!.size * (uses.times + uses.mirrored), 0)
    if (size > most) continue
    whole.set(id, one)
    for (const [each, uses] of one) {
      const rest = left.get(each)!
      left.set(each, {
        times: rest.times - times * uses.times - mirrored * uses.mirrored,
        mirrored: rest.mirrored - times * uses.mirrored - mirrored * uses.times,
      })
    }
  }
  return order.flatMap((id) => {
    const one = whole.get(id)
    return [...(one ? figureAtoms(id, one, sections, order) : []), ...stepAtoms(id, left.get(id)!, sections.get(id)!)]
  })
}

const usesOf = ({ plan: { times, mirrored } }: WorkSection): Uses => ({ times, mirrored })

const isJoinedByFigure = (id: string, order: readonly string[], sections: ReadonlyMap<string, WorkSection>): boolean =>
  order.some((other) => sections.get(other)!.isFigure && sections.get(other)!.joins.has(id))

/** What building a section so often takes of it and of all that it joins, each after what it joins. */
function expanded(id: string, uses: Uses, sections: ReadonlyMap<string, WorkSection>, within: ReadonlySet<string>): Map<string, Uses> {
  const all = new Map<string, Uses>()
  const add = (each: string, { times, mirrored }: Uses): void => {
    for (const [joined, inner] of sections.get(each)!.joins) {
      if (!within.has(joined) || !sections.has(joined)) continue
      add(joined, {
        times: times * inner.times + mirrored * inner.mirrored,
        mirrored: times * inner.mirrored + mirrored * inner.times,
      })
    }
    const known = all.get(each) ?? { times: 0, mirrored: 0 }
    all.delete(each)
    all.set(each, { times: known.times + times, mirrored: known.mirrored + mirrored })
  }
  add(id, uses)
  return all
}

function figureAtoms(
  id: string,
  one: ReadonlyMap<string, Uses>,
  sections: ReadonlyMap<string, WorkSection>,
  order: readonly string[],
): Atom[] {
  const { times, mirrored } = usesOf(sections.get(id)!)
  const place = new Map(order.map((each, i) => [each, i]))
  const inOrder = [...one].sort(([a], [b]) => place.get(a)! - place.get(b)!)
  return Array.from({ length: times + mirrored }, (_, instance): Atom => {
    const isMirrored = instance >= times
    const work = inOrder.map(([section, uses]): BagWork => ({
      section,
      from: 1,
      to: sections.get(section)!.plan.steps.length,
      times: isMirrored ? uses.mirrored : uses.times,
      mirrored: isMirrored ? uses.times : uses.mirrored,
    }))
    const pieces = work.reduce((sum, each) => sum + sections.get(each.section)!.size * (each.times + each.mirrored), 0)
    return { work, pieces, section: id, instance, isLast: true }
  })
}

function stepAtoms(section: string, { times, mirrored }: Uses, { sizes }: WorkSection): Atom[] {
  return Array.from({ length: times + mirrored }, (_, instance) =>
    sizes.map((pieces, i): Atom => {
      const isMirrored = instance >= times
      const work = { section, from: i + 1, to: i + 1, times: isMirrored ? 0 : 1, mirrored: isMirrored ? 1 : 0 }
      return { work: [work], pieces, section, instance, isLast: i === sizes.length - 1 }
    }),
  ).flat()
}

/** The work of a row of atoms, drawn together: runs of steps, then equal runs that follow each other. */
export function workOfAtoms(atoms: readonly Atom[]): BagWork[] {
  const runs: BagWork[] = []
  for (const { work } of atoms) {
    for (const each of work) {
      const last = runs[runs.length - 1]
      const goesOn =
        last?.section === each.section && last.to + 1 === each.from && last.times === each.times && last.mirrored === each.mirrored
      if (goesOn) runs[runs.length - 1] = { ...last, to: each.to }
      else runs.push(each)
    }
  }
  const merged: BagWork[] = []
  for (const each of runs) {
    const last = merged[merged.length - 1]
    if (last?.section === each.section && last.from === each.from && last.to === each.to)
      merged[merged.length - 1] = { ...last, times: last.times + each.times, mirrored: last.mirrored + each.mirrored }
    else merged.push(each)
  }
  return merged
}
