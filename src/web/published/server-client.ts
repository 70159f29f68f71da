import type { Bundle, BundleChanges } from '@core/booklet'
import { askServer, type RequestParts } from '../shared/ask-server'

/** What the server of published booklets is asked, and what it answers; docs/server.md tells the same. */

interface BookletWindow {
  readonly freeUntil: string
  readonly after: 'closed' | 'password'
  readonly note?: string
}

/** `null` takes a setting away. */
export interface AskedSettings {
  readonly terms?: string | null
  readonly window?: BookletWindow | null
  readonly password?: string | null
  readonly questions?: 'open' | 'closed'
}

interface PublishedVersion {
  readonly version: number
  readonly date: string
  readonly changes?: BundleChanges
  readonly whatChanged: string
}

export interface PublishedBooklet {
  readonly id: string
  readonly name: string
  readonly designer?: string
  readonly versions: readonly PublishedVersion[]
  readonly terms?: string
  readonly window?: BookletWindow
  readonly questions: 'open' | 'closed'
  readonly access: 'open' | 'password' | 'closed' | 'withdrawn'
}

export type QuestionKind = 'question' | 'mistake' | 'missing-piece' | 'built-it'
export type QuestionState = 'private' | 'public' | 'hidden' | 'solved'

export interface NewQuestion {
  readonly kind: QuestionKind
  readonly text: string
  readonly section?: string
  readonly step?: number
  /** Path of a part in the picture of the step. */
  readonly part?: string
  readonly minutes?: number
  readonly name?: string
  readonly link?: string
}

export interface Letter extends NewQuestion {
  readonly questionId: string
  readonly date: string
  readonly state: QuestionState
  readonly answer?: string
}

const ask = <T>(method: string, path: string, parts?: RequestParts): Promise<T> => askServer(method, `/booklets${path}`, parts)

const at = (id: string): string => `/${encodeURIComponent(id)}`

export const publishBooklet = (bundle: Bundle, settings: AskedSettings): Promise<{ id: string; ownerToken: string }> =>
  ask('POST', '', { body: { bundle, ...settings } })

export const publishVersion = (
  id: string,
  token: string,
  body: { bundle: Bundle; whatChanged: string },
): Promise<{ version: number; changes: BundleChanges }> => ask('PUT', at(id), { body, token })

export const changeSettings = (id: string, token: string, body: AskedSettings): Promise<PublishedBooklet> =>
  ask('PATCH', at(id), { body, token })

export const withdrawBooklet = (id: string, token: string): Promise<void> => ask('DELETE', at(id), { token })

/** @param token the owner's; others are told what may be told to all */
export const describeBooklet = (id: string, token?: string): Promise<PublishedBooklet> =>
  ask('GET', at(id), token === undefined ? {} : { token })

/** What lets a reader in. */
type Key = Pick<RequestParts, 'token' | 'password'>

export const fetchVersion = (id: string, version: number, key: Key = {}): Promise<Bundle> =>
  ask('GET', `${at(id)}/versions/${version}`, key)

export const askQuestion = (id: string, body: NewQuestion, password?: string): Promise<{ questionId: string; token: string }> =>
  ask('POST', `${at(id)}/questions`, { body, ...(password === undefined ? {} : { password }) })

export const fetchQuestions = async (id: string, key: Key = {}): Promise<Letter[]> =>
  (await ask<{ questions: Letter[] }>('GET', `${at(id)}/questions`, key)).questions

export const answerQuestion = (id: string, token: string, questionId: string, text: string): Promise<Letter> =>
  ask('POST', `${at(id)}/questions/${questionId}/answer`, { body: { text }, token })

export const setQuestionState = (id: string, token: string, questionId: string, state: QuestionState): Promise<Letter> =>
  ask('PATCH', `${at(id)}/questions/${questionId}`, { body: { state }, token })

export const removeQuestion = (id: string, token: string, questionId: string): Promise<void> =>
  ask('DELETE', `${at(id)}/questions/${questionId}`, { token })
