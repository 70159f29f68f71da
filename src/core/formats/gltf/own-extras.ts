import { isLoose, partsOf, type ModelDocument, type Part, type Section } from '../../model'

/** What a drawing written by this program says beside its nodes, in the root's `extras`. */
export interface WrittenDocument {
  /** The document without its sections, own shapes and own colours. */
  readonly document: Partial<ModelDocument>
  readonly shapes?: unknown
  readonly palette?: unknown
  /** What sections have beside parts and copies. */
  readonly sections: readonly { readonly id: string }[]
}

export interface LooseEntry {
  readonly section: string
  readonly part: Part
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)

/** What this program wrote; nothing where it did not. What is wrong in it is refused with the whole document later. */
export function writtenIn(extras: Readonly<Record<string, unknown>>): WrittenDocument | undefined {
  const { document, sections } = extras
  if (!isObject(document) || !Array.isArray(sections) || !sections.every((each) => isObject(each) && typeof each.id === 'string'))
    return undefined
  const { shapes, palette, ...rest } = document
  return {
    document: rest,
    ...(Array.isArray(shapes) ? { shapes } : {}),
    ...(Array.isArray(palette) ? { palette } : {}),
    sections: sections as { id: string }[],
  }
}

/** Loose parts stand in the root's extras, each with the section it belongs to. */
export function looseOf(extras: Readonly<Record<string, unknown>> | undefined): LooseEntry[] {
  const loose = extras?.loose
  if (!Array.isArray(loose)) return []
  return loose.filter(isObject).map(({ section, ...part }) => ({ section: String(section), part: part as unknown as Part }))
}

/** The extras of the root node. */
export function rootExtras(model: ModelDocument): Record<string, unknown> {
  const { root: _root, format: _format, version: _version, sections, ...document } = model
  const loose = sections.flatMap((section) =>
    partsOf(section)
      .filter(isLoose)
      .map((part) => ({ section: section.id, ...part })),
  )
  return { section: model.root, document, sections: sections.map(beside), ...(loose.length > 0 ? { loose } : {}) }
}

function beside({ parts: _parts, copies: _copies, ...rest }: Section): object {
  return rest
}
