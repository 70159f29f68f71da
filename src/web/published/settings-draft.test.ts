import { expect, it } from 'vitest'
import { changedSettings, draftOf, firstSettings, NEW_DRAFT } from './settings-draft'

it('what is empty is not said of a new booklet, and taken away from a published one', () => {
  expect(firstSettings(NEW_DRAFT)).toEqual({})
  expect(changedSettings(NEW_DRAFT)).toEqual({ terms: null, window: null, questions: 'open' })
})

it('all that is written is said', () => {
  const draft = { ...NEW_DRAFT, terms: 'Mine.', freeUntil: '2026-12-24', after: 'password' as const, note: 'Ask me.', password: 'p' }
  const window = { freeUntil: '2026-12-24', after: 'password', note: 'Ask me.' }
  expect(firstSettings(draft)).toEqual({ terms: 'Mine.', window, password: 'p' })
  expect(changedSettings({ ...draft, takesQuestions: false })).toEqual({ terms: 'Mine.', window, password: 'p', questions: 'closed' })
})

it('a password goes only when it is asked to', () => {
  expect(changedSettings({ ...NEW_DRAFT, dropsPassword: true })).toMatchObject({ password: null })
  expect(changedSettings({ ...NEW_DRAFT, dropsPassword: true, password: 'new' })).toMatchObject({ password: 'new' })
})

it('a published booklet comes back as it was written', () => {
  const booklet = {
    id: 'x',
    name: 'X',
    versions: [],
    terms: 'Mine.',
    window: { freeUntil: '2026-12-24T00:00:00Z', after: 'closed' as const },
    questions: 'closed' as const,
    access: 'open' as const,
  }
  expect(draftOf(booklet)).toMatchObject({ terms: 'Mine.', freeUntil: '2026-12-24', after: 'closed', note: '', takesQuestions: false })
})
