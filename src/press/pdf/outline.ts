import { PDFHexString, PDFName, type PDFDocument, type PDFPage, type PDFRef } from '@cantoo/pdf-lib'

/** A place of a booklet that readers jump to. */
export interface OutlineEntry {
  readonly title: string
  readonly page: PDFPage
}

/** Bookmarks in one row, in the order given (ISO 32000-1, 12.3.3). */
export function addOutline(doc: PDFDocument, entries: readonly OutlineEntry[]): void {
  if (entries.length === 0) return
  const { context } = doc
  const root = context.nextRef()
  const refs = entries.map((): PDFRef => context.nextRef())
  entries.forEach(({ title, page }, i) => {
    const before = refs[i - 1]
    const after = refs[i + 1]
    context.assign(
      refs[i]!,
      context.obj({
        Title: PDFHexString.fromText(title),
        Parent: root,
        Dest: [page.ref, 'Fit'],
        ...(before ? { Prev: before } : {}),
        ...(after ? { Next: after } : {}),
      }),
    )
  })
  context.assign(root, context.obj({ Type: 'Outlines', First: refs[0]!, Last: refs.at(-1)!, Count: entries.length }))
  doc.catalog.set(PDFName.of('Outlines'), root)
}
