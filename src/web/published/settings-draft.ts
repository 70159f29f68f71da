import type { AskedSettings, PublishedBooklet } from './server-client'

/** What the designer is writing down about who may read a booklet. */
export interface SettingsDraft {
  readonly terms: string
  /** ISO date; empty where it is free for good. */
  readonly freeUntil: string
  readonly after: 'closed' | 'password'
  readonly note: string
  /** A new one; empty where nothing changes. */
  readonly password: string
  readonly dropsPassword: boolean
  readonly takesQuestions: boolean
}

export const NEW_DRAFT: SettingsDraft = {
  terms: '',
  freeUntil: '',
  after: 'closed',
  note: '',
  password: '',
  dropsPassword: false,
  takesQuestions: true,
}

export const draftOf = ({ terms, window, questions }: PublishedBooklet): SettingsDraft => ({
  ...NEW_DRAFT,
  terms: terms ?? '',
  freeUntil: window?.freeUntil.slice(0, 10) ?? '',
  after: window?.after ?? 'closed',
  note: window?.note ?? '',
  takesQuestions: questions === 'open',
})

/** Of a booklet that is not published yet: only what is set. */
export function firstSettings(draft: SettingsDraft): AskedSettings {
  const { terms, window, password } = changedSettings(draft)
  return {
    ...(terms ? { terms } : {}),
    ...(window ? { window } : {}),
    ...(password ? { password } : {}),
  }
}

/** Of one that is published: what is empty is taken away, but for the password, which nobody can read back. */
export function changedSettings({ terms, freeUntil, after, note, password, dropsPassword, takesQuestions }: SettingsDraft): AskedSettings {
  return {
    terms: terms.trim() === '' ? null : terms,
    window: freeUntil === '' ? null : { freeUntil, after, ...(note.trim() === '' ? {} : { note }) },
    ...(password === '' ? (dropsPassword ? { password: null } : {}) : { password }),
    questions: takesQuestions ? 'open' : 'closed',
  }
}
