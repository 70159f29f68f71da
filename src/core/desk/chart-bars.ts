import type { Catalogue } from '../catalogue'
import { coloursOf, inventoryOf, total } from '../count'
import { ADVICE_IN_ENGLISH, type Advice } from '../language'
import type { ModelDocument } from '../model'
import type { SectionPlan } from '../plan'
import { colourTitle } from './sheet'

/** One bar of a chart. */
export interface ChartBar {
  readonly label: string
  readonly value: number
  /** In its own colour; ink when missing. */
  readonly hex?: string
}

/** More bars than these are told together. */
const MOST_BARS = 24

/** Pieces of each colour, most first. */
export const colourBars = (model: ModelDocument, { colours }: Catalogue, advice = ADVICE_IN_ENGLISH): ChartBar[] =>
  shortened(
    coloursOf(inventoryOf(model)).map(({ colour, count }) => {
      const hex = colours.get(colour)?.hex
      return { label: colourTitle(colour, colours, advice.words), value: count, ...(hex === undefined ? {} : { hex }) }
    }),
    advice,
  )

/** Pieces of each section's own, as often as it is built, most first. */
export const sectionBars = (sections: readonly SectionPlan[], advice = ADVICE_IN_ENGLISH): ChartBar[] =>
  shortened(
    sections
      .map(({ name, times, mirrored, steps }) => ({
        label: times + mirrored > 1 ? advice.say({ key: 'desk.times', n: times + mirrored, about: { name } }) : name,
        value: (times + mirrored) * steps.reduce((sum, { callout }) => sum + total(callout), 0),
      }))
      .filter(({ value }) => value > 0)
      .sort((a, b) => b.value - a.value),
    advice,
  )

function shortened(bars: readonly ChartBar[], { say }: Advice): ChartBar[] {
  if (bars.length <= MOST_BARS) return [...bars]
  const rest = bars.slice(MOST_BARS - 1)
  return [
    ...bars.slice(0, MOST_BARS - 1),
    { label: say({ key: 'desk.others', n: rest.length }), value: rest.reduce((sum, { value }) => sum + value, 0) },
  ]
}
