/** "a, b and c": things in a row, as in a sentence. */
export const listInWords = (items: readonly string[], last: 'and' | 'or' = 'and'): string =>
  items.join(', ').replace(/, ([^,]*)$/, ` ${last} $1`)
