import { isByLength } from '../catalogue'
import { partsOf, type ModelDocument, type WorkKind } from '../model'

const SMALL_PARTS = 'Small parts: keep them away from children under three. They can be swallowed.'

const BY_WORK: Readonly<Partial<Record<WorkKind, string>>> = {
  cut: 'Some pieces are cut: cut away from yourself, on a mat, with a sharp blade, and smooth the edge.',
  paint: 'Some pieces are painted: air the room, wear gloves, and let the paint dry before you build.',
  glue: 'Some pieces are glued: air the room, keep glue off skin and eyes.',
  decal: 'Some pieces bear decals: cut them out on a mat with a sharp blade, away from yourself; the piece must be clean and dry.',
  erase: 'Some prints are removed with solvent: air the room, wear gloves, no open flame.',
}

/** The usual cautions for what a model asks of its builder. */
export function cautionsOf(model: ModelDocument): string[] {
  const kinds = new Set(model.sections.flatMap((section) => partsOf(section).flatMap((part) => (part.work ?? []).map((work) => work.kind))))
  // A length is cut, whether or not the designer says so.
  if (model.sections.some((section) => partsOf(section).some(({ shape }) => isByLength(shape)))) kinds.add('cut')
  return [SMALL_PARTS, ...[...kinds].flatMap((kind) => BY_WORK[kind] ?? [])]
}
