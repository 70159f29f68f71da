import { ENGLISH, type Words } from '../language'
import { plural, tableText } from '../words'
import type { BagPlan } from './bags'
import type { BagStart } from './starts'
import type { BagWork } from './work'

/** "steps 1 to 10, twice as it stands and once mirrored". */
export function workWords({ from, to, times, mirrored }: BagWork): string {
  const steps = from === to ? `step ${from}` : `steps ${from} to ${to}`
  const often = (count: number): string => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`)
  if (mirrored === 0) return times === 1 ? steps : `${steps}, ${often(times)}`
  return times === 0
    ? `${steps}, ${often(mirrored)} as its mirror image`
    : `${steps}, ${often(times)} as it stands and ${often(mirrored)} mirrored`
}

/** "16 bags, 118 pieces in the largest, 107 in the mean; 31 pairs of pieces look alike." */
export function bagsWords({ bags, measures }: BagPlan): string {
  if (bags.length === 0) return 'There is nothing to pack yet.'
  const { largest, mean, lookAlikes } = measures
  const alike = lookAlikes === 0 ? 'no two kinds in one bag look alike' : `${plural(lookAlikes, 'pair')} of kinds in one bag look alike`
  return `${plural(bags.length, 'bag')}, ${largest} pieces in the largest, ${Math.round(mean)} in the mean; ${alike}.`
}

/** One row for each run of steps, for a spreadsheet. */
export const bagsTable = ({ bags }: BagPlan): string =>
  tableText(
    ['bag', 'booklet', 'section', 'from step', 'to step', 'times', 'mirrored', 'pieces of the bag'],
    bags.flatMap(({ number, booklet, work, pieces }) =>
      work.map(({ section, from, to, times, mirrored }) => [number, booklet, section, from, to, times, mirrored, pieces]),
    ),
  )

/** "Open bag 3", "Open bag 3; the 3rd time it is built, bag 4": what stands on a page where bags begin; empty for most. */
export function openBagWords(starts: readonly BagStart[], words: Words = ENGLISH): string {
  if (starts.length === 0) return ''
  const each = [...starts]
    .sort((a, b) => a.time - b.time)
    .map(({ bag, time }) =>
      time === 1 ? words.say('bag.first', { bag }) : words.say('bag.again', { bag, time: words.language === 'en' ? ordinal(time) : time }),
    )
  return words.say('bag.open', { bags: each.join('; ') })
}

/** "2nd", "11th", "23rd". */
function ordinal(count: number): string {
  const tens = count % 100
  const ending = tens >= 11 && tens <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][count % 10] ?? 'th')
  return `${count}${ending}`
}
