import {
  copiesOf,
  partsOf,
  sectionsById,
  type Copy,
  type CopyException,
  type FigureRecipe,
  type ModelDocument,
  type ModelVariant,
  type Part,
  type Section,
} from './types'

type Entries = NonNullable<ModelVariant['recolour']>
/** Ids of the sections named by entries through which a section is reached. */
type Scopes = readonly string[]

/** Of several ways in which a section is reached, the outside. */
const fewest = (ways: readonly Scopes[]): Scopes => ways.reduce((least, each) => (each.length < least.length ? each : least))

/**
 * The document recoloured by a map. An entry for a section takes in what that section uses; a section that is used outside as well
 * keeps its colours there, and its recoloured kind becomes a section of its own, `section~n`.
 */
export function recolourSections(model: ModelDocument, entries: Entries): ModelDocument {
  if (entries.length === 0) return model
  return new Recolouring(model, entries).run()
}

/** Whether a section was made by recolouring another: then the id of that one. */
export const recolouredFrom = (section: Section): string | undefined => origins.get(section)

const origins = new WeakMap<Section, string>()

class Recolouring {
  private readonly sections: ReadonlyMap<string, Section>
  private readonly named: ReadonlySet<string>
  /** By section: the ways in which it is reached, each once. */
  private readonly ways = new Map<string, Map<string, Scopes>>()
  /** By section and scopes: what it becomes. */
  private readonly made = new Map<string, Section>()
  private readonly taken: Set<string>
  private readonly added: Section[] = []

  constructor(
    private readonly model: ModelDocument,
    private readonly entries: Entries,
  ) {
    this.sections = sectionsById(model)
    this.taken = new Set(this.sections.keys())
    this.named = new Set(entries.flatMap(({ section }) => (section === undefined ? [] : [section])))
  }

  run(): ModelDocument {
    this.reach(this.model.root, [])
    const sections = this.model.sections.map((section) => {
      const ways = [...(this.ways.get(section.id)?.values() ?? [[]])]
      // Where it is reached in several ways, the fewest scopes are the outside: there it keeps its id.
      const outside = fewest(ways)
      return this.settle(section.id, outside, section.id)
    })
    const { figures } = this.model
    return {
      ...this.model,
      sections: [...sections, ...this.added],
      ...(figures ? { figures: figures.map((figure) => this.figure(figure)) } : {}),
    }
  }

  /** A recipe follows its section as it looks outside of what entries name. */
  private figure(figure: FigureRecipe): FigureRecipe {
    const ways = this.ways.get(figure.section)
    if (!ways) return figure
    const scopes = fewest([...ways.values()])
    const slots = Object.entries(figure.slots).map(([slot, entry]) => [
      slot,
      { ...entry, options: entry.options.map((option) => ({ ...option, colour: this.colour(option.colour, scopes) })) },
    ])
    return { ...figure, slots: Object.fromEntries(slots) as FigureRecipe['slots'] }
  }

  private within(id: string, scopes: Scopes): Scopes {
    return this.named.has(id) && !scopes.includes(id) ? [...scopes, id].sort() : scopes
  }

  private reach(id: string, outer: Scopes): void {
    const scopes = this.within(id, outer)
    const key = scopes.join('\n')
    const ways = this.ways.get(id) ?? new Map<string, Scopes>()
    this.ways.set(id, ways)
    if (ways.has(key)) return
    ways.set(key, scopes)
    for (const { section } of copiesOf(this.sections.get(id)!)) this.reach(section, scopes)
  }

  private colour(colour: string, scopes: Scopes): string {
    const entry = this.entries.find(({ from, section }) => from === colour && (section === undefined || scopes.includes(section)))
    return entry?.to ?? colour
  }

  /** What a section becomes, under an id. */
  private settle(id: string, scopes: Scopes, as: string): Section {
    const key = `${id}\n\n${scopes.join('\n')}`
    const known = this.made.get(key)
    if (known) return known
    const section = this.sections.get(id)!
    const parts = partsOf(section).map((part) => this.part(part, scopes))
    const copies = copiesOf(section).map((copy) => this.copy(copy, scopes))
    const isSame = parts.every((part, i) => part === section.parts?.[i]) && copies.every((copy, i) => copy === section.copies?.[i])
    const settled = isSame ? section : { ...section, ...(section.parts ? { parts } : {}), ...(section.copies ? { copies } : {}) }
    const result = as === id ? settled : { ...settled, id: as }
    this.made.set(key, result)
    return result
  }

  private part(part: Part, scopes: Scopes): Part {
    const colour = this.colour(part.colour, scopes)
    return colour === part.colour ? part : { ...part, colour }
  }

  private copy(copy: Copy, scopes: Scopes): Copy {
    const section = this.kind(copy.section, this.within(copy.section, scopes))
    const except = copy.except && this.exceptions(copy.section, copy.except, scopes)
    if (section === copy.section && except === copy.except) return copy
    return { ...copy, section, ...(except ? { except } : {}) }
  }

  /** The id of a section as it is reached by scopes: its own where it looks the same there as outside. */
  private kind(id: string, scopes: Scopes): string {
    const ways = [...this.ways.get(id)!.values()]
    const outside = fewest(ways)
    if (scopes.join('\n') === outside.join('\n')) return id
    const known = this.made.get(`${id}\n\n${scopes.join('\n')}`)
    if (known) return known.id
    if (looksOf(this.settle(id, outside, id)) === this.looksUnder(id, scopes)) return id
    // Units of a section are numbered from 1, and there are never as many as it has parts.
    let number = partsOf(this.sections.get(id)!).length + copiesOf(this.sections.get(id)!).length + 1
    while (this.taken.has(`${id}~${number}`)) number++
    const as = `${id}~${number}`
    this.taken.add(as)
    const section = this.settle(id, scopes, as)
    origins.set(section, id)
    this.added.push(section)
    return as
  }

  private looksUnder(id: string, scopes: Scopes): string {
    const section = this.sections.get(id)!
    const parts = partsOf(section).map((part) => this.part(part, scopes))
    const copies = copiesOf(section).map((copy) => this.copy(copy, scopes))
    return looksOf({ ...section, parts, copies })
  }

  private exceptions(id: string, except: NonNullable<Copy['except']>, scopes: Scopes): NonNullable<Copy['except']> {
    let isChanged = false
    const entries = Object.entries(except).map(([path, exception]): [string, CopyException] => {
      if (!exception || !('colour' in exception)) return [path, exception]
      const colour = this.colour(exception.colour, this.scopesAlong(id, path, scopes))
      isChanged ||= colour !== exception.colour
      return [path, { ...exception, colour }]
    })
    return isChanged ? Object.fromEntries(entries) : except
  }

  /** The scopes of a part that is named by a path through copies. */
  private scopesAlong(id: string, path: string, outer: Scopes): Scopes {
    let [section, scopes] = [id, this.within(id, outer)]
    for (const name of path.split('/').slice(0, -1)) {
      const copy = copiesOf(this.sections.get(section)!).find((each) => each.id === name)
      if (!copy) break
      section = copy.section
      scopes = this.within(section, scopes)
    }
    return scopes
  }
}

const looksOf = (section: Section): string =>
  JSON.stringify([partsOf(section).map(({ colour }) => colour), copiesOf(section).map((copy) => [copy.section, copy.except])])
