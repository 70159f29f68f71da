import type { PublishedAs } from '@press/html'

/** Where this page has its booklet from, and the words that builders have sent from it. */

/** @returns undefined in a file that opens from a disk */
export function publishedAs(): PublishedAs | undefined {
  const text = document.getElementById('published')?.textContent
  return text ? (JSON.parse(text) as PublishedAs) : undefined
}

/** A question whose token this device has. */
export interface OwnQuestion {
  readonly questionId: string
  readonly token: string
}

const ownKey = (id: string): string => `jump-rail-questions-${id}`
const waitingKey = (id: string): string => `jump-rail-unsent-${id}`

function read<T>(key: string): T[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(key) ?? '[]')
    return Array.isArray(list) ? (list as T[]) : []
  } catch {
    return []
  }
}

/** @returns whether it is kept */
function write(key: string, list: readonly unknown[]): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(list))
    return true
  } catch {
    return false
  }
}

export const ownQuestions = (id: string): OwnQuestion[] => read(ownKey(id))
export const keepOwn = (id: string, question: OwnQuestion): boolean => write(ownKey(id), [...ownQuestions(id), question])

/** Questions that could not be sent yet. */
export const waitingQuestions = <T>(id: string): T[] => read<T>(waitingKey(id))
export const keepWaiting = (id: string, questions: readonly unknown[]): boolean => write(waitingKey(id), questions)

/** The version that was followed on this device last. */
export function lastVersion(id: string): number | undefined {
  const [version] = read<number>(`jump-rail-version-${id}`)
  return typeof version === 'number' ? version : undefined
}
export const keepVersion = (id: string, version: number): boolean => write(`jump-rail-version-${id}`, [version])

/** Which of several versions in a booklet is built on this device. @param key of the booklet's progress */
export function chosenHere(key: string): string | undefined {
  const [id] = read<string>(`${key}-chosen`)
  return typeof id === 'string' ? id : undefined
}
export const keepChosen = (key: string, id: string): boolean => write(`${key}-chosen`, [id])

/** The password that a link brought, so that the same device need not be given it again. */
export function keyHere(id: string): string | undefined {
  const [key] = read<string>(`jump-rail-key-${id}`)
  return typeof key === 'string' ? key : undefined
}
export const keepKey = (id: string, key: string): boolean => write(`jump-rail-key-${id}`, [key])
export const forgetKey = (id: string): boolean => write(`jump-rail-key-${id}`, [])

/** The voice that this device has given among the ideas of a booklet. */
interface OwnChoice extends OwnQuestion {
  readonly idea: string
}
const choiceKey = (id: string): string => `jump-rail-choice-${id}`
export const choiceHere = (id: string): OwnChoice | undefined => read<OwnChoice>(choiceKey(id))[0]
export const keepChoice = (id: string, choice: OwnChoice): boolean => write(choiceKey(id), [choice])
export const forgetChoice = (id: string): boolean => write(choiceKey(id), [])
