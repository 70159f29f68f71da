import type { BundleChecker } from './check-tasks'
import { Fault } from '@core/fault'
import type { NewBooklet, NewSettings, NewVersion } from './bodies'
import type { BookletRecord, BookletSettings, QuestionRecord, QuestionText, VersionRecord } from './records'
import { hashPassword, hashToken, newId, newToken } from './secrets'
import { getJson, Turns, type ObjectStore } from './store'
import { sha256, type CheckedUpload } from './upload'
import { NO_CHANGES } from '@core/booklet'

const ID = /^[0-9a-f]{32}$/

/**
 * Published booklets in a store: of each a record that is changed by one server at a time, its bundles under their content, and
 * its questions. What is written first is what nothing points at yet, so that no one ever meets half a version.
 */
export class Booklets {
  private readonly turns: Turns

  constructor(
    private readonly store: ObjectStore,
    private readonly checker: BundleChecker,
    private readonly now: () => number = Date.now,
  ) {
    this.turns = new Turns(store)
  }

  /** A new booklet, whatever else was published. */
  async create(upload: CheckedUpload<NewBooklet>): Promise<{ record: BookletRecord; ownerToken: string }> {
    const id = newId()
    const ownerToken = newToken()
    const { terms, window, password } = upload.rest
    const record: BookletRecord = {
      format: 'jump-rail-published',
      id,
      owner: hashToken(ownerToken),
      ...named(upload),
      questions: 'open',
      versions: [this.version(1, upload, { changes: NO_CHANGES, whatChanged: '' })],
      ...(terms === undefined ? {} : { terms }),
      ...(window === undefined ? {} : { window }),
      ...(password === undefined ? {} : { password: await hashPassword(password) }),
    }
    assertWindow(record)
    const bundle = bundleKey(id, upload.bundle)
    try {
      await this.put(bundle, upload.text)
      await this.put(recordKey(id), JSON.stringify(record))
    } catch (thrown) {
      await this.store.delete(bundle).catch(() => undefined)
      throw thrown
    }
    return { record, ownerToken }
  }

  /** @throws Fault `no-booklet` */
  async record(id: string): Promise<BookletRecord> {
    const record = ID.test(id) ? await getJson<BookletRecord>(this.store, recordKey(id)) : undefined
    if (record) return record
    throw new Fault('no-booklet', 'There is no booklet at this address.', { wayOut: 'Ask the designer for the link again.' })
  }

  /** @throws Fault `damaged` when it is not what was published */
  async bundle({ id }: BookletRecord, { bundle }: VersionRecord): Promise<Buffer> {
    const bytes = await this.store.get(bundleKey(id, bundle))
    if (bytes && sha256(bytes) === bundle) return bytes
    throw new Fault('damaged', 'This booklet is damaged on the server.', { wayOut: 'Ask the designer to publish it again.' })
  }

  /**
   * The next version; what is the newest already keeps its number, and is mended where it was damaged.
   * What differs is found out before the turn is taken, and anew when another version came in between.
   */
  async publish(id: string, upload: CheckedUpload<NewVersion>): Promise<{ version: VersionRecord; isNew: boolean }> {
    for (;;) {
      const newest = (await this.record(id)).versions.at(-1)!
      if (newest.content === upload.content) {
        await this.put(bundleKey(id, upload.bundle), upload.text)
        if (newest.bundle === upload.bundle) return { version: newest, isNew: false }
        return { version: await this.mend(id, newest, upload), isNew: false }
      }
      const before = await this.bundle(await this.record(id), newest).catch(() => undefined)
      const changes = before ? await this.checker.compareTexts(before.toString('utf8'), upload.text) : NO_CHANGES
      await this.put(bundleKey(id, upload.bundle), upload.text)
      const version = await this.change(id, (record) => {
        if (record.versions.at(-1)!.version !== newest.version) return undefined
        const next = this.version(newest.version + 1, upload, { changes, whatChanged: upload.rest.whatChanged ?? '' })
        return { next: { ...unnamed(record), ...named(upload), versions: [...record.versions, next] }, answer: next }
      })
      if (version) return { version, isNew: true }
    }
  }

  /** The same content in another order of keys: its bytes take the place of the old ones. */
  private async mend(id: string, newest: VersionRecord, { bundle }: CheckedUpload<NewVersion>): Promise<VersionRecord> {
    const mended = await this.change(id, (record) => {
      const versions = record.versions.map((each) => (each.version === newest.version ? { ...each, bundle } : each))
      return { next: { ...record, versions }, answer: versions[newest.version - 1]! }
    })
    return mended!
  }

  /** @throws Fault `bad-value` when the booklet could be read by nobody any more */
  async configure(id: string, { password, ...settings }: NewSettings): Promise<BookletRecord> {
    const hash = typeof password === 'string' ? await hashPassword(password) : password
    const asked = { ...settings, ...(hash === undefined ? {} : { password: hash }) }
    const changed = await this.change(id, (record) => {
      const next = withSettings(record, asked)
      assertWindow(next)
      return { next, answer: next }
    })
    return changed!
  }

  /** For good. */
  async withdraw(id: string): Promise<void> {
    await this.change(id, (record) => ({ next: { ...record, withdrawn: record.withdrawn ?? this.date() }, answer: undefined }))
  }

  async ask(id: string, text: QuestionText): Promise<{ questionId: string; token: string }> {
    const questionId = newId()
    const token = newToken()
    const question: QuestionRecord = { ...text, questionId, date: this.date(), state: 'private', asker: hashToken(token) }
    await this.put(questionKey(id, questionId), JSON.stringify(question))
    return { questionId, token }
  }

  /** In the order in which they were asked. */
  async questions(id: string): Promise<QuestionRecord[]> {
    const keys = await this.store.list(questionsFolder(id))
    const all = await Promise.all(keys.map((key) => getJson<QuestionRecord>(this.store, key)))
    return all
      .filter((question) => question !== undefined)
      .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.questionId < b.questionId ? -1 : 1))
  }

  /** @throws Fault `no-question` */
  async question(id: string, questionId: string): Promise<QuestionRecord> {
    const question = ID.test(questionId) ? await getJson<QuestionRecord>(this.store, questionKey(id, questionId)) : undefined
    if (question) return question
    throw new Fault('no-question', 'There is no such question.')
  }

  /** @throws Fault `no-question` */
  changeQuestion(id: string, questionId: string, what: Partial<Pick<QuestionRecord, 'state' | 'answer'>>): Promise<QuestionRecord> {
    return this.turns.take(placeOf(id), async (assertTurn) => {
      const next = { ...(await this.question(id, questionId)), ...what }
      assertTurn()
      await this.put(questionKey(id, questionId), JSON.stringify(next))
      return next
    })
  }

  removeQuestion(id: string, questionId: string): Promise<void> {
    return this.turns.take(placeOf(id), () => this.store.delete(questionKey(id, questionId)))
  }

  /** Changes a record in turn. @param act gives undefined where it changes nothing */
  private change<T>(id: string, act: (record: BookletRecord) => { next: BookletRecord; answer: T } | undefined): Promise<T | undefined> {
    return this.turns.take(placeOf(id), async (assertTurn) => {
      const record = await this.record(id)
      const changed = act(record)
      if (!changed) return undefined
      assertTurn()
      await this.put(recordKey(id), JSON.stringify(changed.next))
      return changed.answer
    })
  }

  private version(
    version: number,
    { bundle, content }: CheckedUpload<unknown>,
    what: Pick<VersionRecord, 'changes' | 'whatChanged'>,
  ): VersionRecord {
    return { version, date: this.date(), bundle, content, ...what }
  }

  private date(): string {
    return new Date(this.now()).toISOString()
  }

  private put(key: string, text: string): Promise<void> {
    return this.store.put(key, text)
  }
}

const named = ({ name, designer }: CheckedUpload<unknown>): Pick<BookletRecord, 'name' | 'designer'> => ({
  name,
  ...(designer === undefined ? {} : { designer }),
})

function unnamed({ name: _name, designer: _designer, ...rest }: BookletRecord): Omit<BookletRecord, 'name' | 'designer'> {
  return rest
}

const placeOf = (id: string): string => `booklets/${id.slice(0, 2)}/${id}`
const recordKey = (id: string): string => `${placeOf(id)}/booklet.json`
const bundleKey = (id: string, hash: string): string => `${placeOf(id)}/bundles/${hash}.json`
const questionsFolder = (id: string): string => `${placeOf(id)}/questions/`
const questionKey = (id: string, questionId: string): string => `${questionsFolder(id)}${questionId}.json`

/** `null` takes a setting away. */
function withSettings(
  record: BookletRecord,
  asked: { readonly [K in keyof BookletSettings]?: BookletSettings[K] | null | undefined },
): BookletRecord {
  const { terms, window, password, questions, ...rest } = record
  const settings = Object.entries({ terms, window, password, questions, ...asked }).filter(([, value]) => value != null)
  return { questions: 'open', ...rest, ...(Object.fromEntries(settings) as Partial<BookletSettings>) }
}

function assertWindow({ window, password }: BookletSettings): void {
  if (window?.after !== 'password' || password) return
  throw new Fault('bad-value', 'After its free time this booklet would need a password, but it has none.', {
    place: 'window.after',
    wayOut: 'Give a password, or let it be closed.',
  })
}
