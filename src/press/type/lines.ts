import type { Typeface } from './typeface'

/** Long texts in pieces of a few lines, cut between sentences or words, so that each fits what is left of a sheet. */
export function paragraphs(text: string): string[] {
  return text
    .split(/\r?\n/)
    .flatMap((line) => line.match(/.{1,360}(?:\s|$)|.{1,360}/gu) ?? [])
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
}

/** Scripts that are written without spaces: a line may end after each of their letters. */
const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u
/** What may not begin a line. */
const CLOSES = /^[\p{Pe}\p{Pf}\p{Po}\p{M}ー々ぁぃぅぇぉっゃゅょァィゥェォッャュョ]/u

const graphemes = new Intl.Segmenter('en', { granularity: 'grapheme' })
const lettersOf = (text: string): string[] => [...graphemes.segment(text)].map(({ segment }) => segment)

/** Where a word may go on in the next line. */
function pieces(word: string): string[] {
  if (!UNSPACED.test(word)) return [word]
  const all: string[] = []
  for (const letter of lettersOf(word)) {
    const before = all[all.length - 1]
    const isApart = before === undefined || (!CLOSES.test(letter) && (UNSPACED.test(letter) || UNSPACED.test(before.slice(-1))))
    if (isApart) all.push(letter)
    else all[all.length - 1] = before + letter
  }
  return all
}

/** Breaks at spaces, between letters of scripts that have none, and inside words that are longer than a line. */
export function breakLines(text: string, fits: (line: string) => boolean): string[] {
  const lines: string[] = []
  for (const paragraph of text.split(/\r?\n/)) {
    const words = paragraph.split(/\s+/)
    // Most texts are one line: that is found out at once, and each line's width takes longer than all else here.
    const whole = words.join(' ').trimStart()
    if (fits(whole)) {
      lines.push(whole)
      continue
    }
    let line = ''
    for (const word of words) {
      pieces(word).forEach((piece, i) => {
        const longer = line === '' || i > 0 ? line + piece : `${line} ${piece}`
        if (fits(longer)) {
          line = longer
          return
        }
        if (line !== '') lines.push(line)
        const cut = cutWord(piece, fits)
        lines.push(...cut.slice(0, -1))
        line = cut[cut.length - 1]!
      })
    }
    lines.push(line)
  }
  return lines
}

/** A word in stretches that fit; where not even one letter does, each letter has a line. */
function cutWord(word: string, fits: (line: string) => boolean): string[] {
  if (fits(word)) return [word]
  const cut: string[] = []
  let stretch = ''
  for (const letter of lettersOf(word)) {
    if (stretch !== '' && !fits(stretch + letter)) {
      cut.push(stretch)
      stretch = ''
    }
    stretch += letter
  }
  cut.push(stretch)
  return cut
}

/** Cuts a text that is too wide and says so by a dot leader. */
export function fit(text: string, typeface: Typeface, size: number, width: number): string {
  if (typeface.widthOf(text, size) <= width) return text
  const letters = lettersOf(text)
  while (letters.length > 1 && typeface.widthOf(`${letters.join('')}…`, size) > width) letters.pop()
  return `${letters.join('').trimEnd()}…`
}
