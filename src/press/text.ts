import type { PDFFont } from '@cantoo/pdf-lib'

/** Long texts in pieces of a few lines, cut between sentences or words, so that each fits what is left of a sheet. */
export function paragraphs(text: string): string[] {
  return text
    .split(/\r?\n/)
    .flatMap((line) => line.match(/.{1,360}(?:\s|$)|.{1,360}/g) ?? [])
    .map((piece) => piece.trim())
    .filter((piece) => piece !== '')
}

/** Breaks at spaces, so that every line fits where it can. */
export function breakLines(text: string, fits: (line: string) => boolean): string[] {
  const lines: string[] = []
  for (const paragraph of text.split(/\r?\n/)) {
    let line = ''
    for (const word of paragraph.split(/\s+/)) {
      const longer = line === '' ? word : `${line} ${word}`
      if (line === '' || fits(longer)) line = longer
      else {
        lines.push(line)
        line = word
      }
    }
    lines.push(line)
  }
  return lines
}

/** Cuts a text that is too wide and says so by a dot leader. */
export function fit(text: string, font: PDFFont, size: number, width: number): string {
  let shown = text
  while (shown.length > 1 && font.widthOfTextAtSize(shown, size) > width) shown = `${shown.slice(0, -2)}…`
  return shown
}
