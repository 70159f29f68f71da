import type { Said } from '../language'
import { memoNamed } from '../memo'
import { refuseBoth } from './check-options'
import { recolourSections } from './recolour-sections'
import { refuseUnknown } from './refuse'
import { keepNoteParts } from './step-notes'
import { copiesOf, partsOf, sectionsById, type GivenStep, type ModelDocument, type ModelVariant, type Section } from './types'

/** Which version of a model is meant: what is said here wins over the variant, the variant over the options' own `on`. */
export interface VersionChoice {
  /** Id of a variant. */
  readonly variant?: string
  readonly with?: readonly string[]
  readonly without?: readonly string[]
}

/**
 * The document of one version, as everything downstream works on it: what is not there is gone, colours are changed, and each option
 * says by `on` whether it is in. Sections that nothing uses in this version are gone too. The same document where it has no options
 * and no variants.
 * @throws Fault `unknown-variant`, `unknown-option`, `bad-value` where an option is to be in and out
 */
export function documentOfVersion(model: ModelDocument, choice: VersionChoice = {}): ModelDocument {
  const { options = [], variants = [] } = model
  const known = new Set(options.map(({ id }) => id))
  const { with: taken = [], without = [] } = choice
  taken.forEach((id, i) => refuseUnknown('option', id, known, `with[${i}]`))
  without.forEach((id, i) => refuseUnknown('option', id, known, `without[${i}]`))
  refuseBoth(taken, without, 'without')
  const variant = variantOf(variants, choice.variant)
  if (options.length === 0 && variant === undefined) return model
  const isOn = (id: string): boolean => {
    if (taken.includes(id)) return true
    if (without.includes(id)) return false
    if (variant?.with?.includes(id)) return true
    if (variant?.without?.includes(id)) return false
    return options.find((option) => option.id === id)?.on === true
  }
  const on = new Set(options.map(({ id }) => id).filter(isOn))
  const key = [...on].sort().join('\n')
  const sections = model.sections.map((section) => sectionOfVersion(section, key))
  const there = {
    ...model,
    sections,
    ...(model.options ? { options: options.map((option) => ({ ...option, on: on.has(option.id) })) } : {}),
  }
  return recolourSections(withoutUnused(there, model), variant?.recolour ?? [])
}

/** A choice without options and variants that the model does not have any more. */
export function choiceWithin(
  { options = [], variants = [] }: ModelDocument,
  { variant, with: taken, without }: VersionChoice,
): VersionChoice {
  const known = (id: string): boolean => options.some((option) => option.id === id)
  return {
    ...(variants.some(({ id }) => id === variant) ? { variant: variant! } : {}),
    ...(taken ? { with: taken.filter(known) } : {}),
    ...(without ? { without: without.filter(known) } : {}),
  }
}

function variantOf(variants: readonly ModelVariant[], id: string | undefined): ModelVariant | undefined {
  if (id === undefined) return undefined
  const byId = new Map(variants.map((variant) => [variant.id, variant]))
  refuseUnknown('variant', id, byId, 'variant')
  return byId.get(id)
}

/** A section without what is not there in a version, told by the options that are in; the same where all is. One object each. */
const sectionOfVersion = memoNamed((section: Section, key: string): Section => {
  const on = new Set(key.split('\n'))
  const isThere = ({ option, unless }: { readonly option?: string; readonly unless?: string }): boolean =>
    (option === undefined || on.has(option)) && (unless === undefined || !on.has(unless))
  if ([...partsOf(section), ...copiesOf(section)].every(isThere)) return section
  const parts = partsOf(section).filter(isThere)
  const copies = copiesOf(section).filter(isThere)
  const ids = new Set([...parts, ...copies].map(({ id }) => id))
  const { steps, places, ...rest } = section
  return {
    ...rest,
    ...(section.parts ? { parts } : {}),
    ...(section.copies ? { copies } : {}),
    ...(places ? { places: places.filter(({ part }) => ids.has(part)) } : {}),
    ...(steps ? { steps: steps.flatMap((step) => stepOfVersion(step, ids)) } : {}),
  }
})

/** A given step without what is not there; none where nothing of it is left. */
function stepOfVersion(step: GivenStep, ids: ReadonlySet<string>): GivenStep[] {
  const isThere = (id: string): boolean => ids.has(id)
  const had = (step.add?.length ?? 0) + (step.join?.length ?? 0)
  const left = {
    ...step,
    ...(step.add ? { add: step.add.filter(isThere) } : {}),
    ...(step.join ? { join: step.join.filter(isThere) } : {}),
  }
  const has = (left.add?.length ?? 0) + (left.join?.length ?? 0)
  return had > 0 && has === 0 ? [] : [keepNoteParts(left, isThere)]
}

/** Without sections, and figures, that only what is gone has used. */
function withoutUnused(there: ModelDocument, whole: ModelDocument): ModelDocument {
  const used = reached(there)
  const gone = new Set([...reached(whole)].filter((id) => !used.has(id)))
  if (gone.size === 0) return there
  return {
    ...there,
    sections: there.sections.filter(({ id }) => !gone.has(id)),
    ...(there.figures ? { figures: there.figures.filter(({ section }) => !gone.has(section)) } : {}),
  }
}

/** The sections that the root uses, itself included. */
function reached(model: ModelDocument): Set<string> {
  const sections = sectionsById(model)
  const seen = new Set([model.root])
  for (const id of seen) for (const { section } of copiesOf(sections.get(id)!)) seen.add(section)
  return seen
}

/** Two options that do not go together, by their names: one that is in needs the other, or rules it out. */
export interface OptionClash {
  readonly kind: 'needs' | 'rules out'
  readonly name: string
  readonly other: string
}

export const clashSaid = ({ kind, name, other }: OptionClash): Said => ({
  key: kind === 'needs' ? 'find.optionNeeds' : 'find.optionRulesOut',
  about: { name, other },
})

/** Options of a version that do not go together. */
export function optionClashes({ options = [] }: Pick<ModelDocument, 'options'>): OptionClash[] {
  const on = new Set(options.filter((option) => option.on === true).map(({ id }) => id))
  const nameOf = (id: string): string => options.find((option) => option.id === id)?.name ?? id
  return options
    .filter(({ id }) => on.has(id))
    .flatMap(({ name, needs = [], rulesOut = [] }) => [
      ...needs.filter((id) => !on.has(id)).map((id): OptionClash => ({ kind: 'needs', name, other: nameOf(id) })),
      ...rulesOut.filter((id) => on.has(id)).map((id): OptionClash => ({ kind: 'rules out', name, other: nameOf(id) })),
    ])
}
