import { isByLength } from '../catalogue'
import { ENGLISH, type Words } from '../language'
import { partsOf, type ModelDocument, type WorkKind } from '../model'

/** Work that can hurt. */
const HURTS = ['cut', 'paint', 'glue', 'decal', 'erase'] as const satisfies readonly WorkKind[]

/** The usual cautions for what a model asks of its builder. */
export function cautionsOf(model: ModelDocument, { say }: Words = ENGLISH): string[] {
  const kinds = new Set(model.sections.flatMap((section) => partsOf(section).flatMap((part) => (part.work ?? []).map((work) => work.kind))))
  // A length is cut, whether or not the designer says so.
  if (model.sections.some((section) => partsOf(section).some(({ shape }) => isByLength(shape)))) kinds.add('cut')
  return [say('caution.small'), ...HURTS.filter((kind) => kinds.has(kind)).map((kind) => say(`caution.${kind}`))]
}
