import type { BookletWishes, ModelDocument } from '../model'

/** Takes over what a booklet is to be like; what is undefined or empty is as usual again, and is not kept. */
export function composeBooklet(model: ModelDocument, wishes: Partial<Record<keyof BookletWishes, unknown>>): ModelDocument {
  const { booklet: before, ...rest } = model
  const kept = Object.entries({ ...before, ...wishes }).filter(([, value]) => value !== undefined && value !== '' && value !== false)
  return kept.length === 0 ? rest : { ...rest, booklet: Object.fromEntries(kept) }
}
