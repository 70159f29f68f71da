import { PDFDocument } from '@cantoo/pdf-lib'
import { inOwnLanguage, makePages, spokenPlaces, type BookletSource, type Page } from '@core/booklet'
import { catalogueIn } from '@core/catalogue'
import { wordsIn } from '@core/language'
import { catalogueOf } from '@core/model'
import { aliasText } from '@core/names'
import type { ExportInput } from './exports/booklet-export'
import { layOut } from './layout/booklet'
import type { LaidBooklet } from './layout/items'
import { lookOf } from './layout/look'
import type { LayoutInput, Typefaces } from './layout/sheet'
import { LEAST_STUD_PX } from './layout/step-cells'
import { BookletPainter } from './paint'
import { lettersIn } from './type/faces'
import { loadTypefaces } from './type/load'

/** Pictures of steps are drawn for so many dots where they stay dots, px. */
const PICTURE = { width: 800, height: 600 }
/** Of a booklet of more steps fewer pictures are areas and lines, so that it is written within a minute. */
const MANY = { steps: 200, mostFacets: 4_000 }
const facetsOf = ({ plan }: Pick<BookletSource, 'plan'>): { mostFacets?: number } =>
  plan.sections.reduce((sum, { steps }) => sum + steps.length, 0) > MANY.steps ? { mostFacets: MANY.mostFacets } : {}

/** A booklet on its sheets, with all that it takes to draw them. */
interface PreparedSheets {
  readonly laid: LaidBooklet
  /** The typefaces are embedded in it; they measure, and may be printed with. */
  readonly doc: PDFDocument
  readonly faces: Typefaces
  readonly painter: BookletPainter
}

type SheetsInput = Pick<ExportInput, 'paper' | 'aliases'> & {
  readonly bundle: BookletSource
  readonly assets: Pick<ExportInput['assets'], 'font'>
  /** For the eye alone: what pictures show is not put in words. */
  readonly isPreview?: boolean
}

/**
 * Lays a booklet out on its sheets, as its model asks, or on another paper.
 *
 * @param only pages that are printed, where not all are
 */
export async function prepareSheets(
  { bundle: told, paper, aliases, assets, isPreview = false }: SheetsInput,
  only?: readonly Page[],
): Promise<PreparedSheets> {
  const bundle = await inOwnLanguage(told)
  const words = wordsIn(bundle.language)
  const pages = only ?? makePages(bundle)
  const look = lookOf({ ...bundle.model.booklet, ...(paper ? { paper } : {}) })
  const painter = new BookletPainter(bundle, PICTURE, { leastStud: LEAST_STUD_PX, ...facetsOf(bundle) })
  const input: LayoutInput = {
    pages,
    catalogue: catalogueIn(catalogueOf(bundle.model), words),
    words,
    look,
    measures: painter,
    beside: (kind, id) => aliasText(aliases, kind, id),
    ...(isPreview ? {} : { spoken: ({ spoken, section, number }) => [spoken, ...spokenPlaces(bundle, section, number)].join(' ') }),
  }
  const doc = await PDFDocument.create()
  const faces = await loadTypefaces(doc, (face, weight) => assets.font(face, weight), lettersToPrint(input))
  return { laid: layOut(input, faces), doc, faces, painter }
}

/** All letters that may be printed. */
function lettersToPrint({ pages, catalogue, beside }: LayoutInput): Set<string> {
  const letters = lettersIn(pages)
  for (const [id, { title }] of catalogue.shapes) lettersIn([title, beside?.('shape', id) ?? ''], letters)
  for (const [id, { name }] of catalogue.colours) lettersIn([name, beside?.('colour', id) ?? ''], letters)
  return letters
}
