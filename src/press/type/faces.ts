/** The faces that texts are set in, most wanted first: what a face does not have is looked for in those after it. */
const FACES = ['latin', 'greek-cyrillic', 'hebrew', 'arabic', 'han', 'hangul'] as const
export type ScriptFace = (typeof FACES)[number]
export type Weight = 'regular' | 'bold'

/** Faces beside the first, by the scripts they are for; what is of none of them may be in the second. */
const SCRIPTS: readonly (readonly [ScriptFace, RegExp])[] = [
  ['hebrew', /\p{Script=Hebrew}/u],
  ['arabic', /\p{Script=Arabic}/u],
  ['hangul', /\p{Script=Hangul}/u],
  ['han', /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Bopomofo}\u2190-\u2bff\u3000-\u303f\uff00-\uffef]/u],
]

/** What is never drawn: breaks, joiners and marks of direction. */
const UNSEEN = /[\p{Cc}\p{Cf}\u2028\u2029]/u

/**
 * The faces that some letters may need beside the first, which is always there: only these are loaded, for the largest of them
 * has ten megabytes.
 *
 * @param isInFirst whether the first face has a letter
 */
export function facesFor(letters: ReadonlySet<string>, isInFirst: (letter: string) => boolean): ScriptFace[] {
  const needed = new Set<ScriptFace>()
  for (const letter of letters) {
    if (isInFirst(letter) || UNSEEN.test(letter)) continue
    needed.add(SCRIPTS.find(([, script]) => script.test(letter))?.[0] ?? 'greek-cyrillic')
  }
  return FACES.filter((face) => needed.has(face))
}

/** All letters of the texts inside a value, at whatever depth; addresses of pictures are no texts. */
export function lettersIn(value: unknown, into = new Set<string>()): Set<string> {
  if (typeof value === 'string') {
    if (!value.startsWith('data:')) for (const letter of value) into.add(letter)
  } else if (Array.isArray(value)) {
    for (const each of value) lettersIn(each, into)
  } else if (typeof value === 'object' && value !== null) {
    for (const each of Object.values(value)) lettersIn(each, into)
  }
  return into
}

/** Whether some letter is beyond the scripts that all have a face: then it is worth asking which have none. */
export const mayLackLetters = (texts: readonly string[]): boolean =>
  texts.some((text) => !/^[\s\u0020-\u017f\p{Script=Greek}\p{Script=Cyrillic}\u2010-\u2027\u20ac]*$/u.test(text))

export const isUnseen = (letter: string): boolean => UNSEEN.test(letter)
