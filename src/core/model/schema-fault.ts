import type Joi from 'joi'
import { Fault } from '../fault'
import { LIMITS } from './limits'

/** ["sections", 2, "parts", 14, "turn"] → "sections[2].parts[14].turn". */
export const pathText = (path: readonly (string | number)[]): string =>
  path.map((key, i) => (typeof key === 'number' ? `[${key}]` : i === 0 ? key : `.${key}`)).join('')

/** What the schema refuses, as a refusal in words. */
export function shapeFault(detail: Joi.ValidationErrorItem): Fault {
  const place = pathText(detail.path)
  const last = detail.path[detail.path.length - 1]
  const at = place === '' ? {} : { place }
  switch (detail.type) {
    case 'object.unknown':
      return new Fault('unknown-key', `The key “${String(last)}” is not part of the model format.`, {
        ...at,
        wayOut: 'Remove it, or check its spelling.',
      })
    case 'any.required':
      return new Fault('missing-key', `“${String(last)}” is missing.`, at)
    case 'turn.unknown':
      return new Fault('bad-turn', 'This is none of the 24 turns.', {
        ...at,
        wayOut: 'Write the images of +x and +y, such as "+y-x".',
      })
    case 'shape.cells':
      return new Fault('too-large-shape', 'The boxes of this shape together are too large.', {
        ...at,
        wayOut: 'Make it of fewer or smaller boxes.',
      })
    case 'string.max':
      return new Fault('too-long', `“${String(last)}” is longer than ${limitOf(detail)} characters.`, at)
    case 'array.max':
      return last === 'sections'
        ? new Fault('too-many-sections', `There are more than ${limitOf(detail)} sections.`, at)
        : new Fault('too-many', `“${String(last)}” has more than ${limitOf(detail)} entries.`, at)
    case 'number.integer':
      return new Fault('not-integer', 'A place in a lattice must be a whole number of u.', at)
    case 'array.min':
      return new Fault('too-few', `“${String(last)}” must hold at least one entry.`, at)
    case 'any.only':
      return last === 'count'
        ? new Fault('bad-count', 'A part with a place counts once: only a loose part may have a count.', { ...at, wayOut: 'Remove it.' })
        : new Fault('bad-value', `“${String(last)}” has a value that is not known${known(detail)}.`, at)
    case 'number.min':
    case 'number.max':
      return numberFault(detail, at)
    default:
      return new Fault('bad-value', `${sentence(detail.message)}.`, at)
  }
}

function known(detail: Joi.ValidationErrorItem): string {
  const valids = (detail.context as { valids?: readonly unknown[] } | undefined)?.valids
  return valids ? `; known: ${valids.join(', ')}` : ''
}

const limitOf = (detail: Joi.ValidationErrorItem): string => String((detail.context as { limit?: unknown }).limit)
const sentence = (message: string): string => message.charAt(0).toUpperCase() + message.slice(1)

function numberFault(detail: Joi.ValidationErrorItem, at: { place?: string }): Fault {
  if (detail.path.includes('count')) {
    return new Fault('bad-count', `The count is out of range: it must be 0 to ${LIMITS.flatParts}.`, at)
  }
  if (detail.path[0] === 'shapes' && detail.path.some((key) => key === 'size' || key === 'boxes')) {
    return new Fault('out-of-range', `A side of an own shape is 1 to ${LIMITS.shapeSide} u long.`, at)
  }
  return new Fault('out-of-range', `The place is outside ±${LIMITS.coordinate} u.`, at)
}
