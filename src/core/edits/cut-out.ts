import { copiesOf, keepNoteParts, partsOf, sectionById, type GivenStep, type ModelDocument, type Section } from '../model'

/**
 * The document with some parts and copies of a section made a section of its own, on the same lattice, and one copy of it
 * in their place. Given steps join that copy where they added the last of them.
 */
export function cutOut(model: ModelDocument, sectionId: string, ids: readonly string[], name: string): ModelDocument {
  const whole = sectionById(model, sectionId)
  const isCut = new Set(ids)
  const id = freeId(new Set([...model.sections.map((section) => section.id), ...idsOf(whole)]), sectionId)
  const places = (whole.places ?? []).filter((place) => isCut.has(place.part))
  const cut: Section = {
    id,
    name,
    ...listed(
      'parts',
      partsOf(whole).filter((part) => isCut.has(part.id)),
    ),
    ...listed(
      'copies',
      copiesOf(whole).filter((copy) => isCut.has(copy.id)),
    ),
    ...listed('places', places),
  }
  const { places: allPlaces = [], ...rest } = whole
  const left: Section = {
    ...rest,
    parts: partsOf(whole).filter((part) => !isCut.has(part.id)),
    copies: [...copiesOf(whole).filter((copy) => !isCut.has(copy.id)), { id, section: id, at: [0, 0, 0] }],
    ...listed(
      'places',
      allPlaces.filter((place) => !isCut.has(place.part)),
    ),
    ...(whole.steps ? { steps: joinInstead(whole.steps, [isCut], [id]) } : {}),
  }
  return { ...model, sections: model.sections.flatMap((section) => (section.id === sectionId ? [left, cut] : [section])) }
}

const idsOf = (section: Section): string[] => [...partsOf(section), ...copiesOf(section)].map((node) => node.id)

function freeId(taken: ReadonlySet<string>, base: string): string {
  let number = 1
  while (taken.has(`${base}-unit-${number}`)) number++
  return `${base}-unit-${number}`
}

const listed = <Key extends string, Item>(key: Key, list: readonly Item[]): { [key in Key]?: readonly Item[] } =>
  list.length > 0 ? ({ [key]: list } as { [key in Key]: readonly Item[] }) : {}

/**
 * Given steps after groups of parts have become copies: each copy is joined where the last of its group was added; a step left
 * empty goes.
 * @param groups ids of what was cut, one list a copy
 * @param copies ids of the copies, in the same order
 */
export function joinInstead(steps: readonly GivenStep[], groups: readonly Iterable<string>[], copies: readonly string[]): GivenStep[] {
  const groupOf = new Map(groups.flatMap((group, i) => [...group].map((id) => [id, i] as const)))
  const last = new Map<number, number>()
  steps.forEach((step, i) => [...(step.add ?? []), ...(step.join ?? [])].forEach((id) => groupOf.has(id) && last.set(groupOf.get(id)!, i)))
  const isLeft = (id: string): boolean => !groupOf.has(id)
  return steps.flatMap((step, i) => {
    const joined = [...last].filter(([, at]) => at === i).map(([group]) => copies[group]!)
    const add = (step.add ?? []).filter(isLeft)
    const join = [...(step.join ?? []).filter(isLeft), ...joined]
    const wasEmpty = (step.add ?? []).length + (step.join ?? []).length === 0
    const { add: _add, join: _join, ...texts } = keepNoteParts(step, isLeft)
    return add.length + join.length > 0 || wasEmpty ? [{ ...texts, ...listed('add', add), ...listed('join', join) }] : []
  })
}
