import { slotKey, SLOTS, slotPartId, withFigure, type Slot } from '../figure'
import type { Said } from '../language'
import { catalogueOf, copiesOf, partsOf, sectionsById, type FigureOption, type FigureRecipe, type ModelDocument, type Part } from '../model'
import { defineCheck, type Trouble, type WayOut } from './check'

/** A figure whose recipe names other pieces than stand in its section: its alternatives would be told beside the wrong figure. */
export const figureDiffers = defineCheck({
  code: 'figure-differs',
  severity: 'warning',
  about: 'A figure’s recipe names other pieces than its section is built from.',
  scope: 'model',
  find: ({ model }) =>
    (model.figures ?? []).flatMap((recipe) => {
      const differences = differencesOf(model, recipe)
      if (differences.length === 0) return []
      const parts = differences.flatMap(({ part }) => (part ? [part.id] : []))
      const list = differences.map((each) => saidOf(each, model))
      const said: Said = { key: 'figure.differs', about: { name: recipe.name, differences: { list } } }
      return [{ section: recipe.section, step: null, parts, said }]
    }),
  waysOut: ({ model, finding }: Trouble): WayOut[] => {
    const recipe = model.figures?.find(({ section }) => section === finding.section)
    if (!recipe) return []
    const told = withTold(recipe, differencesOf(model, recipe))
    return [
      { label: { key: 'act.makeFigure' }, change: (now) => withFigure(now, recipe, catalogueOf(now)) },
      ...(told ? [{ label: { key: 'act.takeIntoRecipe' as const }, change: (now: ModelDocument) => withRecipe(now, told) }] : []),
    ]
  },
})

interface Difference {
  /** Where a slot's piece is meant. */
  readonly slot?: Slot
  readonly option?: FigureOption
  readonly part?: Part
}

/** What the recipe publishes against what stands there: first slot by slot, by the id that a slot's part bears, then by what is left over. */
function differencesOf(model: ModelDocument, recipe: FigureRecipe): Difference[] {
  const parts = new Map(partsWithin(model, recipe.section).map((part) => [part.id, part]))
  if (parts.size === 0) return []
  const slots = SLOTS.flatMap((slot): { slot: Slot; option: FigureOption }[] => {
    const entry = recipe.slots[slot]
    const option = entry?.options[entry.chosen ?? 0]
    return option ? [{ slot, option }] : []
  })
  const left = new Map(parts)
  const open: { slot: Slot; option: FigureOption }[] = []
  const differences: Difference[] = []
  for (const { slot, option } of slots) {
    const part = parts.get(slotPartId(slot))
    if (!part) open.push({ slot, option })
    else {
      left.delete(part.id)
      if (!isSame(option, part)) differences.push({ slot, option, part })
    }
  }
  // A figure that was built by hand bears other ids: then it counts which pieces there are.
  for (const { slot, option } of open) {
    const part = [...left.values()].find((each) => isSame(option, each))
    if (part) left.delete(part.id)
    else differences.push({ slot, option })
  }
  return [...differences, ...[...left.values()].map((part): Difference => ({ part }))]
}

const isSame = (option: FigureOption, part: Part): boolean => option.shape === part.shape && option.colour === part.colour

/** The parts of a section and of all that hangs on it, each once. */
function partsWithin(model: ModelDocument, id: string): Part[] {
  const sections = sectionsById(model)
  const seen = new Set([id])
  for (const each of seen) for (const { section } of copiesOf(sections.get(each) ?? { id: each, name: each })) seen.add(section)
  return [...seen].flatMap((each) => partsOf(sections.get(each) ?? { id: each, name: each }))
}

function saidOf({ slot, option, part }: Difference, model: ModelDocument): Said {
  const { shapes, colours } = catalogueOf(model)
  const piece = ({ shape, colour }: Pick<FigureOption, 'shape' | 'colour'>): Said => ({
    key: 'figure.piece',
    about: { piece: { piece: shapes.get(shape)?.title ?? shape }, colour: { colour: colours.get(colour)?.name ?? colour } },
  })
  if (!option || !slot) return { key: 'figure.noSlot', about: { part: piece(part!) } }
  const about = { slot: { within: { word: slotKey(slot) } }, option: piece(option) }
  return part ? { key: 'figure.instead', about: { ...about, part: piece(part) } } : { key: 'figure.lacking', about }
}

/** The recipe with the pieces that stand in its slots; nothing where it names no slot of a difference. */
function withTold(recipe: FigureRecipe, differences: readonly Difference[]): FigureRecipe | undefined {
  let slots = recipe.slots
  for (const { slot, part } of differences) {
    const entry = slot && slots[slot]
    if (!entry || !part) return undefined
    const chosen = entry.chosen ?? 0
    const options = entry.options.map((option, i) => (i === chosen ? { ...option, shape: part.shape, colour: part.colour } : option))
    slots = { ...slots, [slot]: { ...entry, options } }
  }
  return { ...recipe, slots }
}

const withRecipe = (model: ModelDocument, recipe: FigureRecipe): ModelDocument => ({
  ...model,
  figures: (model.figures ?? []).map((each) => (each.id === recipe.id ? recipe : each)),
})
