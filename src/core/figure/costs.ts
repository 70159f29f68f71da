import type { FigureOption, FigureRecipe } from '../model'
import { SLOTS, type Slot } from './recipe'

/** One way to choose among the pieces of a recipe, and what a figure costs so. */
export interface FigureCost {
  readonly way: 'published' | 'closest' | 'cheapest'
  /** Of one figure, in the recipe's currency: the sum of what has a price. */
  readonly each: number
  /** From 1 (far) to 5 (the very piece), in the mean of what says it; 0 where nothing does. */
  readonly closeness: number
  /** How many of its pieces have no price. */
  readonly unpriced: number
  readonly picks: readonly { readonly slot: Slot; readonly option: FigureOption }[]
}

/** Better first: the closest, then the cheapest of those; the cheapest, then the closest of those. What says nothing comes last. */
const ORDERS: Readonly<Record<'closest' | 'cheapest', (a: FigureOption, b: FigureOption) => number>> = {
  closest: (a, b) => (b.closeness ?? 0) - (a.closeness ?? 0) || priceOf(a) - priceOf(b),
  cheapest: (a, b) => priceOf(a) - priceOf(b) || (b.closeness ?? 0) - (a.closeness ?? 0),
}

/** Without a price it is not known to be cheap. */
const priceOf = ({ price = Number.MAX_SAFE_INTEGER }: FigureOption): number => price

/** What a figure costs as it is published, with the closest piece in each slot, and with the cheapest; nothing where no piece has a price. */
export function figureCosts(recipe: FigureRecipe): FigureCost[] {
  const entries = SLOTS.flatMap((slot) => {
    const entry = recipe.slots[slot]
    return entry && entry.options.length > 0 ? [{ slot, entry }] : []
  })
  if (!entries.some(({ entry }) => entry.options.some(({ price }) => price !== undefined))) return []
  return (['published', 'closest', 'cheapest'] as const).map((way): FigureCost => {
    const picks = entries.map(({ slot, entry: { options, chosen = 0 } }) => ({
      slot,
      option: way === 'published' ? options[chosen]! : [...options].sort(ORDERS[way])[0]!,
    }))
    const told = picks.flatMap(({ option: { closeness } }) => closeness ?? [])
    return {
      way,
      each: Math.round(picks.reduce((sum, { option: { price = 0 } }) => sum + price, 0) * 100) / 100,
      closeness: told.length === 0 ? 0 : told.reduce((sum, value) => sum + value, 0) / told.length,
      unpriced: picks.filter(({ option: { price } }) => price === undefined).length,
      picks,
    }
  })
}
