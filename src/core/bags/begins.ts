import type { BagBegin } from '../model'
import type { Atom } from './atoms'
import type { BagWork } from './work'

/** Where each of a row of works begins: its first step, and the so manieth time that step is done. Undefined for one without work. */
export function beginsOf(row: readonly { readonly work: readonly BagWork[] }[]): (BagBegin | undefined)[] {
  /** How often the steps of a section from one on were done before. */
  const done = new Map<string, number>()
  return row.map(({ work }) => {
    const [first] = work
    const time = first && (done.get(`${first.section} ${first.from}`) ?? 0) + 1
    for (const { section, from, to, times, mirrored } of work)
      for (let step = from; step <= to; step++) {
        const key = `${section} ${step}`
        done.set(key, (done.get(key) ?? 0) + times + mirrored)
      }
    return first && { section: first.section, step: first.from, time: time! }
  })
}

const keyOf = ({ section, step, time }: BagBegin): string => `${section}\n${step}\n${time}`

/** The atoms of a row at which bags are to begin, by number; what is in no row counts for nothing. */
export function atomsAt(atoms: readonly Atom[], begins: readonly BagBegin[]): number[] {
  const asked = new Set(begins.map(keyOf))
  return beginsOf(atoms).flatMap((begin, i) => (begin && asked.has(keyOf(begin)) ? [i] : []))
}
