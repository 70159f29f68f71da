import type { Difficulty, MarginWidth, Paper, StepColumns, TrayPlace } from '@core/model'
import { say, type ScreenKey } from '../language'

export const PAPER_WORDS = {
  a4: 'booklet.a4',
  a5: 'booklet.a5',
  letter: 'booklet.letter',
  square: 'booklet.square',
  slide: 'booklet.wideForAWall',
  phone: 'booklet.phone',
} as const satisfies Record<Paper, ScreenKey>
export const MARGIN_WORDS = {
  narrow: 'booklet.narrow',
  usual: 'booklet.usual',
  wide: 'booklet.wide',
} as const satisfies Record<MarginWidth, ScreenKey>
export const COLUMN_WORDS = {
  fitting: 'booklet.asPicturesNeed',
  one: 'booklet.one',
  two: 'booklet.two',
} as const satisfies Record<StepColumns, ScreenKey>
export const TRAY_WORDS = {
  both: 'booklet.bySectionAndStep',
  sections: 'booklet.bySection',
  steps: 'booklet.byStep',
} as const satisfies Record<TrayPlace, ScreenKey>
export const DIFFICULTY_WORDS = {
  '': 'booklet.notSaid',
  first: 'booklet.aFirstModel',
  some: 'booklet.whoHasBuiltOneOr',
  much: 'booklet.whoHasBuiltMany',
} as const satisfies Record<Difficulty | '', ScreenKey>

/** A list to choose from, in the order of its values. */
export const optionsOf = <Value extends string>(values: readonly Value[], words: Readonly<Record<Value, ScreenKey>>) =>
  values.map((value) => ({ value, label: say(words[value]) }))
