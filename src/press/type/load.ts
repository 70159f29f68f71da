import type { PDFDocument, PDFFont } from '@cantoo/pdf-lib'
import { facesFor, type ScriptFace, type Weight } from './faces'
import { Typeface } from './typeface'

/** Where font files come from. */
export type FontSource = (face: ScriptFace, weight: Weight) => Promise<Uint8Array>

/** Digits of one width, and no joined letters, which some readers do not find. */
const LATIN = { tnum: true, liga: false }

/** A typeface of each weight that has, as far as there are fonts for them, all the letters given; embedded as subsets. */
export async function loadTypefaces(
  doc: PDFDocument,
  font: FontSource,
  letters: ReadonlySet<string>,
): Promise<{ readonly regular: Typeface; readonly bold: Typeface }> {
  // Larger than all else here together: a download of its own.
  const { default: fontkit } = await import('@cantoo/fontkit')
  doc.registerFontkit(fontkit)
  const embed = async (face: ScriptFace, weight: Weight): Promise<PDFFont> =>
    doc.embedFont(await font(face, weight), { subset: true, ...(face === 'latin' ? { features: LATIN } : {}) })
  const first = await embed('latin', 'regular')
  const has = new Set(first.getCharacterSet())
  const faces = facesFor(letters, (letter) => has.has(letter.codePointAt(0)!))
  const rest = await Promise.all(faces.map((face) => embed(face, 'regular')))
  const bolder = await Promise.all(faces.map(async (face, i) => (hasBold(face) ? embed(face, 'bold') : rest[i]!)))
  return { regular: new Typeface([first, ...rest]), bold: new Typeface([await embed('latin', 'bold'), ...bolder]) }
}

/** The largest faces come in one weight. */
const hasBold = (face: ScriptFace): boolean => face !== 'han' && face !== 'hangul'
