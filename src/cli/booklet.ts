import { readFile, writeFile } from 'node:fs/promises'
import { makePages, makeBundle, type Bundle } from '@core/booklet'
import { hasErrors } from '@core/checks'
import { insetsOf, reportModel, viewsOf } from '@core/pipeline'
import { Fault } from '@core/fault'
import { catalogueOf, type ModelDocument } from '@core/model'
import { EFFORTS } from '@core/plan'
import { BookletPainter, writeHtml, writePdf, type Paper } from '@press/index'

export interface BookletOptions {
  readonly output?: string | boolean | undefined
  readonly paper?: string | boolean | undefined
}

/** The command line stands in dist/node, beside dist/follow. */
const asset = (path: string): Promise<Buffer> => readFile(new URL(path, import.meta.url))

/** Writes a booklet as PDF or HTML, by extension. @returns whether the plan is buildable */
export async function writeBooklet(model: ModelDocument, options: BookletOptions): Promise<boolean> {
  const { output } = options
  if (typeof output !== 'string') throw new Fault('usage', 'No file to write was named.', { wayOut: 'Add -o OUT.pdf or -o OUT.html.' })
  const reported = reportModel(model, { effort: EFFORTS.normal })
  const { report, looks } = reported
  const bundle = makeBundle(model, report, viewsOf(looks), insetsOf(reported))
  if (output.endsWith('.html')) await writeFile(output, writeHtml((await asset('../follow/follow.html')).toString('utf8'), bundle))
  else if (output.endsWith('.pdf')) await writeFile(output, await pdf(bundle, paperOf(options.paper)))
  else throw new Fault('unknown-format', 'The format to write is not known.', { place: output, wayOut: 'Known: .pdf, .html.' })
  return !hasErrors(report.findings)
}

function paperOf(paper: BookletOptions['paper']): Paper {
  if (paper === undefined || paper === 'a4') return 'a4'
  if (paper === 'letter') return 'letter'
  throw new Fault('unknown-paper', `There is no paper “${String(paper)}”.`, { wayOut: 'Known: a4, letter.' })
}

async function pdf(bundle: Bundle, paper: Paper): Promise<Uint8Array> {
  const painter = new BookletPainter(bundle, { width: 800, height: 600 })
  return writePdf({
    pages: makePages(bundle),
    catalogue: catalogueOf(bundle.model),
    paper,
    fonts: { regular: await asset('../fonts/regular.ttf'), bold: await asset('../fonts/bold.ttf') },
    painter,
  })
}
