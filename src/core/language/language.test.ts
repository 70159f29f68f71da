import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { addLanguage, ENGLISH, isLanguage, languageAmong, languageFile, LANGUAGES, loadLanguage, wordsIn, type Language } from './index'
import english from './messages/en.json' with { type: 'json' }

type Tree = { readonly [key: string]: string | Tree }

const leavesOf = (tree: Tree, path = ''): [string, string][] =>
  Object.entries(tree).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string' ? [[path + key, value]] : leavesOf(value, `${path}${key}.`),
  )
const namesIn = (message: string): string[] => [...new Set([...message.matchAll(/\{(\w+)\}/g)].map((match) => match[1]!))].sort()
const OTHERS = LANGUAGES.filter((language): language is Exclude<Language, 'en'> => language !== 'en')

describe.each(OTHERS)('what is said in %s', (language) => {
  it('is what is said in English: every sentence, about the same things, for one and for many', async () => {
    const own = new Map(leavesOf((await languageFile(language)).messages))
    const known = leavesOf(english)
    expect([...own.keys()].sort()).toEqual(known.map(([key]) => key).sort())
    for (const [key, message] of known) {
      expect({ key, about: namesIn(own.get(key)!) }).toEqual({ key, about: namesIn(message) })
      expect({ key, forms: own.get(key)!.split(' | ').length }).toEqual({ key, forms: message.split(' | ').length })
      expect(own.get(key)!.trim()).not.toBe('')
    }
  })

  it('names every piece and colour of the catalogue, with its numbers', async () => {
    const { pieces, colours } = await languageFile(language)
    for (const { title } of BASE_CATALOGUE.shapes.values()) {
      const pattern = title.replace(/\d+/g, '#')
      const holes = (text: string | undefined): number | undefined => text?.split('#').length
      expect({ pattern, holes: holes(pieces[pattern]) }).toEqual({ pattern, holes: holes(pattern) })
    }
    for (const { name } of BASE_CATALOGUE.colours.values()) expect(colours).toHaveProperty([name])
    const known = new Set([...BASE_CATALOGUE.shapes.values()].map(({ title }) => title.replace(/\d+/g, '#')))
    expect(Object.keys(pieces).filter((pattern) => !known.has(pattern))).toEqual([])
  })
})

describe('words', () => {
  it('are said for one and for many as each language counts', async () => {
    await Promise.all(LANGUAGES.map(loadLanguage))
    const told = (n: number): string[] => LANGUAGES.map((language) => wordsIn(language).count('count.steps', n))
    expect(told(1)).toEqual(['1 step', '1 Schritt', '1 étape', '1 paso'])
    expect(told(7)).toEqual(['7 steps', '7 Schritte', '7 étapes', '7 pasos'])
    // Of nothing French says one.
    expect(told(0)).toEqual(['0 steps', '0 Schritte', '0 étape', '0 pasos'])
  })

  it('stand in a row, with numbers as the language writes them', async () => {
    await loadLanguage('de')
    const german = wordsIn('de')
    expect(ENGLISH.list(['a', 'b', 'c'])).toBe('a, b and c')
    expect(german.list(['a', 'b'], 'or')).toBe('a oder b')
    expect([ENGLISH.list([]), ENGLISH.list(['a'])]).toEqual(['', 'a'])
    expect([ENGLISH.number(1234.5, 1), german.number(1234.5, 1), german.number(0.25)]).toEqual(['1234.5', '1234,5', '0,25'])
    expect([ENGLISH.within('Slate'), german.within('Schiefergrau')]).toEqual(['slate', 'Schiefergrau'])
    expect(german.pieceTitle('Bracket 1 × 2 with a 2 × 4 wall up')).toBe('Winkel 1 × 2 mit Wand 2 × 4 nach oben')
    expect(german.pieceTitle('My own 7')).toBe('My own 7')
  })

  it('take what is written in names as it is written', () => {
    const name = 'a {b} | c @:d % <i>'
    expect(ENGLISH.say('cover.designedBy', { name })).toBe(`Designed by ${name}`)
    expect(ENGLISH.quote(name)).toBe(`“${name}”`)
  })

  it('are English where a file is older than the page that reads it', async () => {
    const file = await languageFile('fr')
    const { begin: _begin, ...follow } = file.messages.follow
    addLanguage('fr', { ...file, messages: { ...file.messages, follow: follow as typeof file.messages.follow } })
    expect([wordsIn('fr').say('follow.begin'), wordsIn('fr').say('follow.next')]).toEqual(['Begin', 'Suivant'])
    addLanguage('fr', file)
  })

  it('are those of the first wish that can be fulfilled', () => {
    expect(languageAmong(['de-AT', 'en'])).toBe('de')
    expect(languageAmong(['ja', 'pt-BR', 'ES-mx'])).toBe('es')
    expect(languageAmong(['den', 'frr'])).toBeUndefined()
    expect(['en', 'xx', undefined, 3].map(isLanguage)).toEqual([true, false, false, false])
  })
})
