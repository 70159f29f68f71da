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

/** Elements that hold others; what is drawn in one of them directly is decoration. */
const GROUPS = ['Document', 'Sect', 'L', 'LI'] as const
type Group = (typeof GROUPS)[number]
/** Elements that hold what is drawn: headings, text, what a list item says, notes that warn, pictures. */
type Content = 'H1' | 'H2' | 'H3' | 'P' | 'LBody' | 'Note' | 'Figure' | 'Caption'
export type Role = Group | Content

/** A stretch of a page that belongs to an element. */
interface Marked {
  readonly page: PDFPage
  readonly id: number
}

interface Element {
  readonly role: Role
  /** What a picture shows, in words. */
  readonly alt?: string
  readonly kids: (Element | Marked)[]
}

const isGroup = ({ role }: Element): boolean => (GROUPS as readonly Role[]).includes(role)

/**
 * The logical structure of a document: which stretch of a page is a heading, which a list, and what a picture shows, so that a
 * program can read it aloud in its order (ISO 32000-1, 14.7 and 14.8). All else is marked as decoration.
 */
export class TagTree {
  private readonly root: Element = { role: 'Document', kids: [] }
  private readonly within: Element[] = [this.root]
  private open: { readonly page: PDFPage; readonly element: Element | undefined } | undefined
  /** By page, the element of each stretch. */
  private readonly marked = new Map<PDFPage, Element[]>()

  /** Whether what is drawn now would be decoration. */
  get isBetween(): boolean {
    return isGroup(this.within[this.within.length - 1]!)
  }

  begin(role: Role, alt?: string): void {
    const element: Element = { role, kids: [], ...(alt === undefined ? {} : { alt }) }
    this.within[this.within.length - 1]!.kids.push(element)
    this.within.push(element)
  }

  end(): void {
    this.within.pop()
  }

  /** To be called before anything is drawn on a page: it belongs to the innermost element. */
  drawOn(page: PDFPage): void {
    const innermost = this.within[this.within.length - 1]!
    const element = isGroup(innermost) ? undefined : innermost
    if (this.open?.page === page && this.open.element === element) return
    this.close()
    this.open = { page, element }
    const known = this.marked.get(page) ?? []
    this.marked.set(page, known)
    if (!element) {
      page.pushOperators(PDFOperator.of(PDFOperatorNames.BeginMarkedContent, [PDFName.of('Artifact')]))
      return
    }
    const id = known.push(element) - 1
    element.kids.push({ page, id })
    const properties = page.doc.context.obj({ MCID: id })
    page.pushOperators(PDFOperator.of(PDFOperatorNames.BeginMarkedContentSequence, [PDFName.of(element.role), properties.toString()]))
  }

  private close(): void {
    this.open?.page.pushOperators(PDFOperator.of(PDFOperatorNames.EndMarkedContent))
    this.open = undefined
  }

  /** Writes the structure into the document, once all is drawn. */
  write(doc: PDFDocument): void {
    this.close()
    const { context, catalog } = doc
    const root = context.nextRef()
    const refs = new Map<Element, PDFRef>()
    const top = this.writeElement(this.root, root, { doc, refs })
    const numbers: PDFObject[] = []
    doc.getPages().forEach((page, number) => {
      const elements = this.marked.get(page)
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
    const kids = element.kids.map((kid) =>
      'role' in kid ? this.writeElement(kid, ref, into) : context.obj({ Type: 'MCR', Pg: kid.page.ref, MCID: kid.id }),
    )
    const alt = element.alt === undefined ? {} : { Alt: PDFHexString.fromText(element.alt) }
    context.assign(ref, context.obj({ Type: 'StructElem', S: element.role, P: parent, K: kids, ...alt }))
    return ref
  }
}
