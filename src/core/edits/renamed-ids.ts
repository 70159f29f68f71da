import type { Copy, CopyException, FigureRecipe, ModelDocument, Part, PieceWork, Section } from '../model'

/** Ids of a document that are called otherwise from now on, kind by kind; what is not named keeps its id. */
export interface RenamedIds {
  readonly sections: ReadonlyMap<string, string>
  readonly shapes: ReadonlyMap<string, string>
  readonly colours: ReadonlyMap<string, string>
  readonly options: ReadonlyMap<string, string>
  readonly variants: ReadonlyMap<string, string>
  readonly figures: ReadonlyMap<string, string>
  readonly decals: ReadonlyMap<string, string>
}

interface Piece {
  readonly shape: string
  readonly colour: string
}

/** The same document under other ids, every reference with them. Parts and copies keep theirs: those belong to their section. */
export function renameIds(model: ModelDocument, ids: RenamedIds): ModelDocument {
  return new Renamer(ids).model(model)
}

class Renamer {
  constructor(private readonly ids: RenamedIds) {}

  model(model: ModelDocument): ModelDocument {
    const { ids } = this
    return {
      ...model,
      root: named(ids.sections, model.root),
      sections: model.sections.map((section) => this.section(section)),
      ...each('palette', model.palette, (colour) => ({ ...colour, id: named(ids.colours, colour.id) })),
      ...each('shapes', model.shapes, (shape) => ({ ...shape, id: named(ids.shapes, shape.id) })),
      ...each('options', model.options, (option) => ({
        ...option,
        id: named(ids.options, option.id),
        ...this.options('needs', option.needs),
        ...this.options('rulesOut', option.rulesOut),
      })),
      ...each('variants', model.variants, (variant) => ({
        ...variant,
        id: named(ids.variants, variant.id),
        ...this.options('with', variant.with),
        ...this.options('without', variant.without),
        ...each('recolour', variant.recolour, (rule) => ({
          ...rule,
          from: named(ids.colours, rule.from),
          to: named(ids.colours, rule.to),
          ...(rule.section === undefined ? {} : { section: named(ids.sections, rule.section) }),
        })),
      })),
      ...each('figures', model.figures, (figure) => this.figure(figure)),
      ...each('decals', model.decals, (decal) => ({ ...decal, id: named(ids.decals, decal.id) })),
      ...each('kits', model.kits, (kit) => ({ ...kit, pieces: kit.pieces.map((piece) => this.piece(piece)) })),
      ...each('substitutes', model.substitutes, (substitute) => ({
        ...substitute,
        for: this.piece(substitute.for),
        use: substitute.use.map((piece) => this.piece(piece)),
      })),
    }
  }

  private section(section: Section): Section {
    return {
      ...section,
      id: named(this.ids.sections, section.id),
      ...each('parts', section.parts, (part) => this.part(part)),
      ...each('copies', section.copies, (copy) => this.copy(copy)),
    }
  }

  private part(part: Part): Part {
    return { ...this.piece(part), ...this.optional(part), ...each('work', part.work, (work) => this.work(work)) }
  }

  private copy(copy: Copy): Copy {
    const renamed = { ...copy, ...this.optional(copy), section: named(this.ids.sections, copy.section) }
    if (!copy.except) return renamed
    return { ...renamed, except: Object.fromEntries(Object.entries(copy.except).map(([part, other]) => [part, this.exception(other)])) }
  }

  private exception(other: CopyException): CopyException {
    if (other === null) return null
    return 'colour' in other ? { colour: named(this.ids.colours, other.colour) } : { shape: named(this.ids.shapes, other.shape) }
  }

  private figure(figure: FigureRecipe): FigureRecipe {
    const slots = Object.entries(figure.slots).map(([slot, entry]) => [
      slot,
      {
        ...entry,
        options: entry.options.map((option) => ({ ...this.piece(option), ...each('work', option.work, (work) => this.work(work)) })),
      },
    ])
    return {
      ...figure,
      id: named(this.ids.figures, figure.id),
      section: named(this.ids.sections, figure.section),
      slots: Object.fromEntries(slots) as FigureRecipe['slots'],
    }
  }

  private work(work: PieceWork): PieceWork {
    return work.decal === undefined ? work : { ...work, decal: named(this.ids.decals, work.decal) }
  }

  private piece<Of extends Piece>(piece: Of): Of {
    return { ...piece, shape: named(this.ids.shapes, piece.shape), colour: named(this.ids.colours, piece.colour) }
  }

  private optional({ option, unless }: Pick<Part, 'option' | 'unless'>): Pick<Part, 'option' | 'unless'> {
    return {
      ...(option === undefined ? {} : { option: named(this.ids.options, option) }),
      ...(unless === undefined ? {} : { unless: named(this.ids.options, unless) }),
    }
  }

  private options<Key extends string>(key: Key, list: readonly string[] | undefined): { [key in Key]?: string[] } {
    return each(key, list, (id) => named(this.ids.options, id))
  }
}

const named = (ids: ReadonlyMap<string, string>, id: string): string => ids.get(id) ?? id

/** Keeps a key away where the document has none. */
function each<Key extends string, From, To>(
  key: Key,
  list: readonly From[] | undefined,
  change: (one: From) => To,
): { [key in Key]?: To[] } {
  return list === undefined ? {} : ({ [key]: list.map(change) } as { [key in Key]?: To[] })
}
