import { Fault } from '../fault'
import { copiesOf, partsOf, type Copy, type ModelDocument, type ModelVariant, type Part, type VersionChoice } from '../model'

type Options = NonNullable<ModelDocument['options']>
type DocumentOption = Options[number]
/** In which versions something is there: in all; only with an option, or only without it. */
export type Presence = { readonly option: string } | { readonly unless: string } | null

/** A free id that says what a name says. */
function idOf(name: string, taken: ReadonlySet<string>): string {
  const plain =
    name
      .normalize('NFKD')
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-+|-+$/g, '')
      .toLowerCase() || 'option'
  for (let number = 1; ; number++) {
    const id = number === 1 ? plain : `${plain}-${number}`
    if (!taken.has(id)) return id
  }
}

const named = (name: string): string => {
  const plain = name.trim()
  if (plain === '') throw new Fault('no-name', 'It has no name.', { wayOut: 'Write what builders will read.' })
  return plain
}

/** @throws Fault `no-name` */
export function addOption(model: ModelDocument, name: string): ModelDocument {
  const options = model.options ?? []
  const option = { id: idOf(named(name), new Set(options.map(({ id }) => id))), name: named(name) }
  return { ...model, options: [...options, option] }
}

export const changeOption = (model: ModelDocument, id: string, change: Partial<Omit<DocumentOption, 'id'>>): ModelDocument => ({
  ...model,
  options: (model.options ?? []).map((option) => (option.id === id ? { ...option, ...change } : option)),
})

/** What was there with the option alone, or without it alone, is always there then; nothing names it any more. */
export function removeOption(model: ModelDocument, id: string): ModelDocument {
  const without = (ids: readonly string[] | undefined) => ids?.filter((each) => each !== id)
  const options = (model.options ?? [])
    .filter((option) => option.id !== id)
    .map(({ needs, rulesOut, ...option }) => ({
      ...option,
      ...(needs ? { needs: without(needs)! } : {}),
      ...(rulesOut ? { rulesOut: without(rulesOut)! } : {}),
    }))
  const variants = (model.variants ?? []).map(({ with: taken, without: left, ...variant }) => ({
    ...variant,
    ...(taken ? { with: without(taken)! } : {}),
    ...(left ? { without: without(left)! } : {}),
  }))
  return withThings({ ...model, options, ...(model.variants ? { variants } : {}) }, (thing) => {
    if (thing.option !== id && thing.unless !== id) return thing
    const { option, unless, ...rest } = thing
    return {
      ...rest,
      ...(option === undefined || option === id ? {} : { option }),
      ...(unless === undefined || unless === id ? {} : { unless }),
    } as typeof thing
  })
}

/** Says in which versions parts and copies of a section are there. */
export function setPresence(model: ModelDocument, section: string, ids: ReadonlySet<string>, presence: Presence): ModelDocument {
  return withThings(
    model,
    (thing) => {
      if (!ids.has(thing.id)) return thing
      const { option: _option, unless: _unless, ...rest } = thing
      return { ...rest, ...presence } as typeof thing
    },
    section,
  )
}

function withThings(model: ModelDocument, change: <Thing extends Part | Copy>(thing: Thing) => Thing, only?: string): ModelDocument {
  const sections = model.sections.map((section) => {
    if (only !== undefined && section.id !== only) return section
    const [parts, copies] = [partsOf(section).map(change), copiesOf(section).map(change)]
    if (parts.every((part, i) => part === section.parts![i]) && copies.every((copy, i) => copy === section.copies![i])) return section
    return { ...section, ...(section.parts ? { parts } : {}), ...(section.copies ? { copies } : {}) }
  })
  return { ...model, sections }
}

/**
 * Keeps a choice of options as a version with a name.
 * @throws Fault `no-name`
 */
export function addVariant(model: ModelDocument, name: string, { with: taken = [], without = [] }: VersionChoice): ModelDocument {
  const variants = model.variants ?? []
  const id = idOf(named(name), new Set(variants.map((variant) => variant.id)))
  const variant: ModelVariant = { id, name: named(name), with: taken, without }
  return { ...model, variants: [...variants, variant] }
}

export const changeVariant = (model: ModelDocument, id: string, change: Partial<Omit<ModelVariant, 'id'>>): ModelDocument => ({
  ...model,
  variants: (model.variants ?? []).map((variant) => (variant.id === id ? { ...variant, ...change } : variant)),
})

/** What a colour becomes in a version; itself where it is as in the others. Recolourings of a section alone stay, and come first. */
export function recolourVariant(model: ModelDocument, id: string, from: string, to: string): ModelDocument {
  const { recolour = [] } = (model.variants ?? []).find((variant) => variant.id === id) ?? {}
  const others = recolour.filter((entry) => entry.from !== from || entry.section !== undefined)
  return changeVariant(model, id, { recolour: from === to ? others : [...others, { from, to }] })
}

export const removeVariant = (model: ModelDocument, id: string): ModelDocument => ({
  ...model,
  variants: (model.variants ?? []).filter((variant) => variant.id !== id),
})
