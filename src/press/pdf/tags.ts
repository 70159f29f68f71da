import {
  PDFHexString,
  PDFName,
  PDFNumber,
  PDFOperator,
  PDFOperatorNames,
  type PDFDocument,
  type PDFObject,
  type PDFPage,
  type PDFRef,
} from '@cantoo/pdf-lib'
import type { Element } from '../layout/elements'

/** A stretch of a page that belongs to an element. */
interface Marked {
  readonly page: PDFPage
  readonly id: number
}

/**
 * Writes which stretch of a page is a heading, which a list, and what a picture shows, so that a program can read it aloud in its
 * order (ISO 32000-1, 14.7 and 14.8). All else is marked as decoration.
 */
export class TagWriter {
  private open: { readonly page: PDFPage; readonly element: Element | undefined } | undefined
  /** By page, the element of each stretch. */
  private readonly byPage = new Map<PDFPage, Element[]>()
  private readonly byElement = new Map<Element, Marked[]>()

  /** To be called before something that belongs to an element, or to nothing, is drawn on a page. */
  drawOn(page: PDFPage, element: Element | undefined): void {
    if (this.open?.page === page && this.open.element === element) return
    this.close()
    this.open = { page, element }
    if (!element) {
      page.pushOperators(PDFOperator.of(PDFOperatorNames.BeginMarkedContent, [PDFName.of('Artifact')]))
      return
    }
    const id = push(this.byPage, page, element) - 1
    push(this.byElement, element, { page, id })
    const properties = page.doc.context.obj({ MCID: id })
    page.pushOperators(PDFOperator.of(PDFOperatorNames.BeginMarkedContentSequence, [PDFName.of(element.role), properties.toString()]))
  }

  /** To be called where a page is done. */
  close(): void {
    this.open?.page.pushOperators(PDFOperator.of(PDFOperatorNames.EndMarkedContent))
    this.open = undefined
  }

  /** Writes the structure into the document, once all is drawn. */
  write(doc: PDFDocument, structure: Element): void {
    const { context, catalog } = doc
    const root = context.nextRef()
    const refs = new Map<Element, PDFRef>()
    const top = this.writeElement(structure, root, { doc, refs })
    const numbers: PDFObject[] = []
    doc.getPages().forEach((page, number) => {
      const elements = this.byPage.get(page)
      if (!elements) return
      page.node.set(PDFName.of('StructParents'), PDFNumber.of(number))
      // Fields and links would be reached in the order of the structure.
      page.node.set(PDFName.of('Tabs'), PDFName.of('S'))
      numbers.push(PDFNumber.of(number), context.obj(elements.map((element) => refs.get(element)!)))
    })
    const parents = context.register(context.obj({ Nums: numbers }))
    context.assign(root, context.obj({ Type: 'StructTreeRoot', K: top, ParentTree: parents, ParentTreeNextKey: doc.getPageCount() }))
    catalog.set(PDFName.of('StructTreeRoot'), root)
    catalog.set(PDFName.of('MarkInfo'), context.obj({ Marked: true }))
  }

  private writeElement(element: Element, parent: PDFRef, into: { readonly doc: PDFDocument; readonly refs: Map<Element, PDFRef> }): PDFRef {
    const { context } = into.doc
    const ref = context.nextRef()
    into.refs.set(element, ref)
    const kids = element.kids.map((kid): PDFObject => this.writeElement(kid, ref, into))
    for (const { page, id } of this.byElement.get(element) ?? []) kids.push(context.obj({ Type: 'MCR', Pg: page.ref, MCID: id }))
    const alt = element.alt === undefined ? {} : { Alt: PDFHexString.fromText(element.alt) }
    context.assign(ref, context.obj({ Type: 'StructElem', S: element.role, P: parent, K: kids, ...alt }))
    return ref
  }
}

function push<Key, Value>(lists: Map<Key, Value[]>, key: Key, value: Value): number {
  const list = lists.get(key)
  if (list) return list.push(value)
  lists.set(key, [value])
  return 1
}
