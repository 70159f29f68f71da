import { compile, createCoreContext, registerMessageCompiler, registerMessageResolver, resolveValue, translate } from '@intlify/core-base'
import type { Language } from './languages'
import english from './messages/en.json' with { type: 'json' }

/** The sentences of one language. */
type Messages = typeof english

/** The path of each sentence, "step.add". */
export type MessageKey = Leaves<Messages>
export type Leaves<Tree> = { [Key in keyof Tree & string]: Tree[Key] extends string ? Key : `${Key}.${Leaves<Tree[Key]>}` }[keyof Tree &
  string]

/** A language as it is loaded: its sentences, and what pieces and colours of the catalogue are called in it. */
export interface LanguageFile {
  readonly messages: Messages
  /** By the English title, each number of which is written "#". */
  readonly pieces: Readonly<Record<string, string>>
  /** By the English name. */
  readonly colours: Readonly<Record<string, string>>
}

type MessageArguments = Readonly<Record<string, string | number | undefined>>

/** Who says the sentences of one tree of messages in one language. */
export interface Speaker<Key extends string> {
  /** A sentence with what it is about. */
  readonly say: (key: Key, named?: MessageArguments) => string
  /** A sentence about a number of things, which it has as `n`. */
  readonly count: (key: Key, n: number, named?: MessageArguments) => string
}

/** How to say something in one language. */
export interface Words extends Speaker<MessageKey> {
  readonly language: Language
  /** "a, b and c". */
  readonly list: (items: readonly string[], last?: 'and' | 'or') => string
  readonly quote: (text: string) => string
  /** @param digits behind the decimal sign; as many as there are where nothing is said */
  readonly number: (value: number, digits?: number) => string
  /** A name as it stands within a sentence: German writes nouns large there too. */
  readonly within: (name: string) => string
  readonly pieceTitle: (title: string) => string
  readonly colourName: (name: string) => string
}

registerMessageCompiler(compile)
registerMessageResolver(resolveValue)

/** Keys are checked here; the library would check them in a manner of its own. */
// eslint-disable-next-line @typescript-eslint/no-unnecessary-type-assertion -- the compiler needs it, the rule takes both for the same
const spoken = translate as unknown as (context: unknown, key: string, ...about: unknown[]) => unknown

/** One thing, or more: French counts nothing as one. */
const PLURALS = { fr: (n: number) => (Math.abs(n) < 2 ? 0 : 1) }

/** Says the messages of a language. @param inEnglish what is said where the language lacks a message */
export function speaker<Tree extends object>(language: Language, messages: Tree, inEnglish: Tree): Speaker<Leaves<Tree>> {
  const context = createCoreContext({
    locale: language,
    messages: { en: inEnglish as Record<string, never>, [language]: messages as Record<string, never> },
    pluralRules: PLURALS,
    // Ours are whole; a file that a device kept may be older than the page that reads it.
    fallbackLocale: 'en',
    missingWarn: false,
    fallbackWarn: false,
  })
  const text = (key: string, ...about: unknown[]): string => String(spoken(context, key, ...about))
  return { say: (key, named = {}) => text(key, named), count: (key, n, named = {}) => text(key, { ...named, n }, n) }
}

/** Stands where a name comes. */
const GAP = '\u0000'
const around = (texts: readonly string[], ...names: readonly string[]): string => texts.map((text, i) => text + (names[i] ?? '')).join('')

/** What each language says, as it is loaded. */
function wordsOf(language: Language, { messages, pieces, colours }: LanguageFile): Words {
  const { say, count } = speaker(language, messages, english)
  // Said again and again, thousands of times for one list of findings: read once.
  const quotes = say('quote', { text: GAP }).split(GAP)
  const ends = { and: say('list.and', { rest: GAP, last: GAP }).split(GAP), or: say('list.or', { rest: GAP, last: GAP }).split(GAP) }
  return {
    language,
    say,
    count,
    list: (items, last = 'and') => (items.length < 2 ? (items[0] ?? '') : around(ends[last], items.slice(0, -1).join(', '), items.at(-1)!)),
    quote: (said) => around(quotes, said),
    number: (value, digits) =>
      digits === undefined
        ? value.toLocaleString(language, { maximumFractionDigits: 20, useGrouping: false })
        : value.toLocaleString(language, { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: false }),
    within: (name) => (language === 'de' ? name : name.toLocaleLowerCase(language)),
    pieceTitle: (title) => withNumbers(pieces[title.replace(NUMBER, '#')] ?? title, title),
    colourName: (name) => colours[name] ?? name,
  }
}

const NUMBER = /\d+/g

/** The numbers of the English title stand in every language in the same order. */
function withNumbers(pattern: string, title: string): string {
  const numbers = title.match(NUMBER) ?? []
  let at = 0
  return pattern.replace(/#/g, () => numbers[at++] ?? '')
}

/** What is always there. */
// Said to be pure, so that what says nothing does not carry it.
export const ENGLISH: Words = /* @__PURE__ */ wordsOf('en', { messages: english, pieces: {}, colours: {} })

const known = /* @__PURE__ */ new Map<Language, Words>([['en', ENGLISH]])

export const isLoaded = (language: Language): boolean => known.has(language)

/** From now on `wordsIn` knows the language. */
export const addLanguage = (language: Language, file: LanguageFile): void => void known.set(language, wordsOf(language, file))

/** @throws RangeError where the language was not loaded before: whoever shows or prints in it waits for that first */
export function wordsIn(language: Language = 'en'): Words {
  const words = known.get(language)
  if (!words) throw new RangeError(`the words of ${language} are not loaded`)
  return words
}
