import { expose, transfer } from 'comlink'
import { makePages, type BookletSource } from '@core/booklet'
import { catalogueOf } from '@core/model'
import { aliasText, type Alias } from '@core/names'
import { BookletPainter } from '@press/paint'
import { writePdf, type Paper } from '@press/pdf'
import { staysAlive } from './alive'

const alive = staysAlive()

const api = {
  ready: (): Promise<boolean> => alive,
  /** To stop, end the worker. */
  async pdf(
    source: BookletSource,
    paper: Paper,
    fonts: { regular: Uint8Array; bold: Uint8Array },
    aliases: readonly Alias[],
    progress: (fraction: number) => void,
  ): Promise<Uint8Array> {
    const painter = new BookletPainter(source, { width: 800, height: 600 })
    const bytes = await writePdf({
      pages: makePages(source),
      catalogue: catalogueOf(source.model),
      paper,
      fonts,
      painter,
      beside: (kind, id) => aliasText(aliases, kind, id),
      progress,
    })
    return transfer(bytes, [bytes.buffer])
  },
}

export type PressApi = typeof api
expose(api)
