import { expose, transfer } from 'comlink'
import type { BookletSource, PictureContent, PictureRef } from '@core/booklet'
import type { PieceCount } from '@core/count'
import { Fault, plainFault, type PlainFault } from '@core/fault'
import { EXPORTS, lettersWithoutFace, type ExportAssets, type ExportInput, type Preview, type PreviewSheet } from '@press/index'
import type { PictureSize, PieceLook } from '@core/picture'
import type { BookletPainter } from '@press/paint'
import { staysAlive } from './alive'
import { forCanvas, given, type CanvasImage } from './canvas-image'
import { FONT_FILES } from './font-files'

const alive = staysAlive()

/** @throws Fault `no-asset` where the server does not have it */
async function fetched(url: string): Promise<Response> {
  const response = await fetch(url)
  if (response.ok) return response
  throw new Fault('no-asset', `A file of the program is missing (${response.status}).`, { place: url, wayOut: 'Load the page again.' })
}

const assets: ExportAssets = {
  font: async (face, weight) => new Uint8Array(await (await fetched(FONT_FILES[face][weight])).arrayBuffer()),
  followPage: async () => (await fetched('/follow/follow.html')).text(),
}

/** The bytes of a file, or why there are none. */
interface Written {
  readonly bytes?: Uint8Array<ArrayBuffer>
  readonly fault?: PlainFault
}

/** What is laid out: a booklet, and the designer's own names in it. */
export interface SheetsAsked extends Pick<ExportInput, 'aliases'> {
  readonly bundle: BookletSource
}

/** The booklet that is shown before it is printed, and its sheets. */
let shown: { readonly painter: BookletPainter; readonly preview: Preview } | undefined

/** A booklet that is laid out: what can be said of it before its sheets are handed over. */
export interface LaidOut {
  readonly bookmarks: Preview['bookmarks']
  /** How many sheets it has. */
  readonly count: number
}

const encoder = new TextEncoder()

const api = {
  ready: (): Promise<boolean> => alive,
  /** Letters of some texts that no typeface of ours has. @throws Fault where a font cannot be loaded */
  lacking: (texts: readonly string[]): Promise<string[]> => lettersWithoutFace(texts, assets.font.bind(assets)),
  /** Lays a booklet out on its sheets; they are asked for some at a time, since thousands of marks at once would hold the page up, and pictures one by one. */
  async lay(input: SheetsAsked): Promise<LaidOut> {
    const [{ prepareSheets }, { previewOf }] = await Promise.all([import('@press/sheets'), import('@press/preview')])
    const { laid, painter } = await prepareSheets({ ...input, assets, isPreview: true })
    const preview = previewOf(laid)
    shown = { painter, preview }
    return { bookmarks: preview.bookmarks, count: preview.sheets.length }
  },
  /** Some sheets of the booklet that was laid out last. */
  sheets: (from: number, to: number): PreviewSheet[] => shown!.preview.sheets.slice(from, to),
  /** A picture of the booklet that was laid out last, as it is printed. */
  picture: (ref: PictureRef, content: PictureContent, size: PictureSize): CanvasImage =>
    given(forCanvas(shown!.painter.paint(ref, content, size))),
  piece: (piece: PieceCount, size: PictureSize, look: PieceLook): CanvasImage => given(forCanvas(shown!.painter.piece(piece, size, look))),
  /** Writes a file; a fault comes back as data. To stop, end the worker. */
  async write(id: string, input: Omit<ExportInput, 'assets' | 'progress'>, progress: (fraction: number) => void): Promise<Written> {
    try {
      const written = await EXPORTS.find((each) => each.id === id)!.write({ ...input, assets, progress })
      const bytes = (typeof written === 'string' ? encoder.encode(written) : written) as Uint8Array<ArrayBuffer>
      return transfer({ bytes }, [bytes.buffer])
    } catch (thrown) {
      return { fault: plainFault(thrown) }
    }
  },
}

export type PressApi = typeof api
expose(api)
