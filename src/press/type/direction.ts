import bidiFactory from 'bidi-js'

const bidi = bidiFactory()

/**
 * The level of each unit of a line of text: even ones read from left to right, odd ones from right to left (Unicode Standard
 * Annex 9). The base is that of the first letter that has a direction.
 */
export function levelsOf(text: string): { readonly levels: Uint8Array; readonly base: number } {
  const { levels, paragraphs } = bidi.getEmbeddingLevels(text, 'auto')
  return { levels, base: paragraphs[0]?.level ?? 0 }
}

/** The same stretches as they are seen from left to right (rule L2, applied to stretches instead of letters). */
export function visualOrder<Stretch extends { readonly level: number }>(stretches: readonly Stretch[]): Stretch[] {
  const seen = [...stretches]
  const most = Math.max(0, ...seen.map(({ level }) => level))
  for (let level = most; level >= 1; level--) {
    for (let from = 0; from < seen.length; from++) {
      if (seen[from]!.level < level) continue
      let to = from
      while (to + 1 < seen.length && seen[to + 1]!.level >= level) to++
      seen.splice(from, to - from + 1, ...seen.slice(from, to + 1).reverse())
      from = to
    }
  }
  return seen
}

const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}]/u

/**
 * A stretch that reads from right to left as a font wants it. Signs that come in pairs, such as brackets, are mirrored. A font
 * turns letters of such scripts around by itself, for it shapes them; signs alone it would leave as they stand.
 */
export function turnedAround(stretch: string): string {
  const letters = [...stretch].map((letter) => bidi.getMirroredCharacter(letter) ?? letter)
  return (RIGHT_TO_LEFT.test(stretch) ? letters : letters.reverse()).join('')
}
