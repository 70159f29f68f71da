/** Elements that hold others; what is put in one of them directly is decoration. */
const GROUPS = ['Document', 'Sect', 'L', 'LI'] as const
/** Elements that hold what is seen: headings, text, what a list item says, notes that warn, pictures and what stands under them. */
type Content = 'H1' | 'H2' | 'H3' | 'P' | 'LBody' | 'Note' | 'Figure' | 'Caption'
export type Role = (typeof GROUPS)[number] | Content

/** A node of a booklet's logical structure, named as in ISO 32000-1, 14.8.4. */
export interface Element {
  readonly role: Role
  /** What a picture shows, in words. */
  readonly alt?: string
  readonly kids: Element[]
}

const isGroup = ({ role }: Element): boolean => (GROUPS as readonly Role[]).includes(role)

/** The logical structure of a booklet while it is laid out: what is put down belongs to the innermost element. */
export class ElementTree {
  readonly root: Element = { role: 'Document', kids: [] }
  private readonly within: Element[] = [this.root]

  private get innermost(): Element {
    return this.within[this.within.length - 1]!
  }

  /** What something put down now belongs to; nothing where it is decoration. */
  get current(): Element | undefined {
    return isGroup(this.innermost) ? undefined : this.innermost
  }

  /** Makes something that is one element. */
  inside(role: Role, make: () => void, alt?: string): void {
    const element: Element = { role, kids: [], ...(alt === undefined ? {} : { alt }) }
    this.innermost.kids.push(element)
    this.within.push(element)
    make()
    this.within.pop()
  }
}
