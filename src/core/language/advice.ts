import type { Language } from './languages'
import { ENGLISH, isLoaded, speaker, wordsIn, type Words } from './words'
import english from './messages/advice-en.json' with { type: 'json' }
import type { AdviceMessages, Said, SaidAbout } from './said'

/** Longer lists of parts are named by their first few. */
const MOST_NAMED = 4
/** Sentences that are remembered. */
const MOST_KEPT = 20_000

/** Who says what designers are told. */
export interface Advice {
  readonly words: Words
  readonly say: (said: Said) => string
}

function adviceOf(words: Words, messages: AdviceMessages): Advice {
  const spoken = speaker(words.language, messages, english)
  const kept = new Map<string, string>()
  /** After an edit most findings are told again. */
  function say(said: Said): string {
    const asText = JSON.stringify(said)
    let text = kept.get(asText)
    if (text === undefined) {
      if (kept.size >= MOST_KEPT) kept.clear()
      kept.set(asText, (text = sayAnew(said)))
    }
    return text
  }
  const sayAnew = ({ key, n, about = {} }: Said): string => {
    const named = Object.fromEntries(Object.entries(about).map(([name, each]) => [name, inWords(each)]))
    return n === undefined ? spoken.say(key, named) : spoken.count(key, n, named)
  }
  const parts = (ids: readonly string[]): string => {
    const named = ids.slice(0, MOST_NAMED).map((id) => words.quote(id))
    return ids.length > named.length
      ? spoken.say('parts.more', { named: named.join(', '), more: ids.length - named.length })
      : words.list(named)
  }
  function inWords(about: SaidAbout): string {
    if (typeof about === 'string') return about
    if (typeof about === 'number') return words.number(about)
    if ('key' in about) return sayAnew(about)
    if ('parts' in about) return parts(about.parts)
    if ('list' in about) {
      const items = about.list.map(inWords)
      return about.by === '; ' || about.by === ', ' ? items.join(about.by) : words.list(items, about.by)
    }
    if ('value' in about) return words.number(about.value, about.digits)
    if ('word' in about) return words.say(about.word)
    if ('within' in about) return words.within(inWords(about.within))
    return 'piece' in about ? words.pieceTitle(about.piece) : words.colourName(about.colour)
  }
  return { words, say }
}

/** What is always there. */
export const ADVICE_IN_ENGLISH: Advice = /* @__PURE__ */ adviceOf(ENGLISH, english)

const known = /* @__PURE__ */ new Map<Language, Advice>([['en', ADVICE_IN_ENGLISH]])

/** From now on `adviceIn` knows the language. @throws RangeError where its words are not loaded */
export const addAdvice = (language: Language, messages: AdviceMessages): void =>
  void known.set(language, adviceOf(wordsIn(language), messages))

/** English where the language was not loaded before. */
export const adviceIn = (language: Language): Advice => (isLoaded(language) && known.get(language)) || ADVICE_IN_ENGLISH
