import type { ModelDocument } from '@core/model'
import { lettersIn, mayLackLetters } from './faces'
import { loadTypefaces, type FontSource } from './load'

/** The letters of some texts that no typeface of ours has, each once, in their order: they would be printed as empty boxes. */
export async function lettersWithoutFace(texts: readonly string[], font: FontSource): Promise<string[]> {
  const { PDFDocument } = await import('@cantoo/pdf-lib')
  const letters = lettersIn(texts)
  const { regular } = await loadTypefaces(await PDFDocument.create(), font, letters)
  return [...letters].filter((letter) => !regular.knows(letter))
}

/** The same for all that a model has its booklet say; nothing is loaded where its scripts are all known to have a face. */
export async function lettersLackingIn(model: ModelDocument, ask: (letters: readonly string[]) => Promise<string[]>): Promise<string[]> {
  // Parts have no words of their own but ids, and there are thousands of them.
  const { sections, palette = [], figures = [], ...rest } = model
  const said = sections.map(({ name, steps = [], places = [] }) => [
    name,
    places.map((place) => place.name),
    steps.map(({ note, caution, notes, photos }) => [note, caution, notes, photos]),
  ])
  const letters = [...lettersIn([said, palette.map(({ name }) => name), figures, rest])]
  return mayLackLetters(letters) ? ask(letters) : []
}
