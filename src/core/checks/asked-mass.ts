import { massOf, type Shape } from '../catalogue'
import { massSaid, sectionMasses } from '../count'
import { type Said, rounded } from '../language'
import { catalogueOf, partsOf, sectionById, shapeOfPart, type ModelDocument } from '../model'
import type { BuiltSection } from '../plan'
import { defineCheck, type Found, type Subject } from './check'

/** A section lighter than its designer asks: a counterweight, a lid that must fall shut. */
export const tooLight = defineCheck({
  code: 'too-light',
  severity: 'warning',
  about: 'A section weighs less than its designer asks for.',
  scope: 'section',
  find: (subject) => findOff(subject, 'atLeast'),
})

/** A section heavier than its designer asks: a flag that must not tip its pole. */
export const tooHeavy = defineCheck({
  code: 'too-heavy',
  severity: 'warning',
  about: 'A section weighs more than its designer asks for.',
  scope: 'section',
  find: (subject) => findOff(subject, 'atMost'),
})

function findOff({ model, built }: Subject, bound: 'atLeast' | 'atMost'): Found[] {
  const section = sectionById(model, built.base)
  const asked = section.mass?.[bound]
  if (asked === undefined || built.id !== built.base) return []
  const mass = sectionMasses(model).get(section.id)!
  const off = bound === 'atLeast' ? asked - mass.grams : mass.grams - asked
  if (off <= 0) return []
  const help = wouldDo(model, built, off, bound)
  const key = bound === 'atLeast' ? 'mass.light' : 'mass.heavy'
  return [{ step: help.step, parts: help.parts, said: { key, about: { mass: massSaid(mass), asked, help: help.said } } }]
}

/** What would do, and where it goes in. */
interface Help {
  readonly step: number | null
  readonly parts: readonly string[]
  readonly said: Said
}

/** Of which piece so many more, or fewer, would do, and in which steps it goes in: the heaviest kind of the section's own. */
function wouldDo(model: ModelDocument, built: BuiltSection, off: number, bound: 'atLeast' | 'atMost'): Help {
  const { shapes } = catalogueOf(model)
  const kinds = new Map<string, { readonly shape: Shape; readonly ids: string[] }>()
  for (const part of partsOf(sectionById(model, built.base))) {
    const shape = shapeOfPart(part, shapes)
    const kind = kinds.get(shape.id) ?? { shape, ids: [] }
    kind.ids.push(part.id)
    kinds.set(shape.id, kind)
  }
  const each = ({ shape }: { readonly shape: Shape }): number => Math.max(0.01, massOf(shape))
  const enough = [...kinds.values()].filter((kind) => bound === 'atLeast' || kind.ids.length * each(kind) >= off)
  const heaviest = enough.sort((a, b) => each(b) - each(a))[0]
  if (!heaviest) return { step: null, parts: [], said: { key: 'mass.noOneKind' } }
  const count = Math.ceil(off / each(heaviest))
  const steps = stepsOf(built, new Set(heaviest.ids))
  const piece = { title: { piece: heaviest.shape.title }, grams: rounded(each(heaviest), 1) }
  const what: Said =
    steps.length === 0
      ? { key: 'mass.piece', about: piece }
      : { key: 'mass.pieceAt', n: heaviest.ids.length, about: { ...piece, steps: { list: steps } } }
  const said: Said = { key: bound === 'atLeast' ? 'mass.more' : 'mass.fewer', n: count, about: { what } }
  return { step: steps[0] ?? null, parts: heaviest.ids, said }
}

const stepsOf = ({ steps, scene }: BuiltSection, ids: ReadonlySet<string>): number[] =>
  steps.flatMap((nodes, i) => (nodes.some((node) => ids.has(scene.nodes[node]!.id)) ? [i + 1] : []))
