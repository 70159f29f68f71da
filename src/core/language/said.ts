import type english from './messages/advice-en.json'
import type { Leaves, MessageKey } from './words'

/** What designers are told about a model, in one language: kept apart from what builders read, who load none of it. */
export type AdviceMessages = typeof english
export type AdviceKey = Leaves<AdviceMessages>

/**
 * A sentence as data: it is made where something is found, and said in a language where somebody reads it.
 * With `n` it is about a number of things.
 */
export interface Said {
  readonly key: AdviceKey
  readonly n?: number
  readonly about?: Readonly<Record<string, SaidAbout>>
}

/** What a sentence is about: as it stands, a sentence within it, or something that each language writes in its own way. */
export type SaidAbout =
  | string
  | number
  | Said
  /** Ids of parts and copies, of many the first few. */
  | { readonly parts: readonly string[] }
  /** "a, b and c", or what a longer sentence is made of: "a; b". */
  | { readonly list: readonly SaidAbout[]; readonly by?: 'and' | 'or' | '; ' | ', ' }
  | { readonly value: number; readonly digits: number }
  /** A sentence of the booklet's. */
  | { readonly word: MessageKey }
  /** A name as it stands within a sentence. */
  | { readonly within: SaidAbout }
  /** The English title of a piece, or name of a colour. */
  | { readonly piece: string }
  | { readonly colour: string }

/** A number rounded where it is found, so that what is told of a plan does not hang on the last bit. */
export const rounded = (value: number, digits: number): SaidAbout => ({ value: Number(value.toFixed(digits)) + 0, digits })

/** "once", "twice", "5 times". */
export const often = (times: number): Said => (times === 2 ? { key: 'often.twice' } : { key: 'often.times', n: times })
