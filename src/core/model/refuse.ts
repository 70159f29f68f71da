import { nearestIds } from '../catalogue'
import { Fault } from '../fault'

/** @throws Fault `double-id` where an id stands twice */
export function refuseDoubles(entries: readonly { id: string }[], place: (index: number) => string): void {
  const seen = new Set<string>()
  entries.forEach((entry, i) => {
    if (seen.has(entry.id)) {
      throw new Fault('double-id', `The id “${entry.id}” stands twice.`, { place: place(i), wayOut: 'Give each its own.' })
    }
    seen.add(entry.id)
  })
}

type NamedThing = 'shape' | 'colour' | 'section' | 'option' | 'variant'

/** @throws Fault `unknown-…`, with the nearest that is known */
export function refuseUnknown(what: NamedThing, id: string, known: Pick<ReadonlySet<string>, 'has' | 'keys'>, place: string): void {
  if (known.has(id)) return
  const nearest = nearestIds(id, known.keys())
  throw new Fault(`unknown-${what}`, `There is no ${what} “${id}”.`, {
    place,
    wayOut: nearest.length === 0 ? `This model has no ${what}s.` : `The nearest known: ${nearest.join(', ')}.`,
  })
}
