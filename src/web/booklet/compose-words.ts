import type { Difficulty, MarginWidth, Paper, StepColumns, TrayPlace } from '@core/model'

export const PAPER_WORDS: Readonly<Record<Paper, string>> = {
  a4: 'A4',
  a5: 'A5',
  letter: 'Letter',
  square: 'Square',
  slide: 'Wide, for a wall',
  phone: 'Phone',
}
export const MARGIN_WORDS: Readonly<Record<MarginWidth, string>> = { narrow: 'Narrow', usual: 'Usual', wide: 'Wide' }
export const COLUMN_WORDS: Readonly<Record<StepColumns, string>> = { fitting: 'As pictures need', one: 'One', two: 'Two' }
export const TRAY_WORDS: Readonly<Record<TrayPlace, string>> = { both: 'By section and step', sections: 'By section', steps: 'By step' }
export const DIFFICULTY_WORDS: Readonly<Record<Difficulty | '', string>> = {
  '': 'Not said',
  first: 'A first model',
  some: 'Who has built one or two',
  much: 'Who has built many',
}

/** A list to choose from, in the order of its values. */
export const optionsOf = <Value extends string>(values: readonly Value[], words: Readonly<Record<Value, string>>) =>
  values.map((value) => ({ value, label: words[value] }))
