import { readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { encode } from 'fast-png'
import type { Bundle, BundleChanges } from '@core/booklet'
import { pictureAddress, pictureBytes } from '@core/model'
import { BUNDLE, recoloured, refusal, renamed, startServer, stopAll } from '../support/start'

afterEach(stopAll)

interface ToldBooklet {
  name: string
  access: string
  terms?: string
  window?: object
  versions: { version: number; date: string; changes?: BundleChanges; whatChanged: string }[]
}

const filesIn = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => statSync(join(folder, name)).isFile())

describe('publishing', () => {
  it('makes a new booklet each time, and gives its bundle back as it came', async () => {
    const { ask } = await startServer()
    const first = await ask('POST', '/api/booklets', { body: { bundle: BUNDLE, terms: 'Mine.' } })
    expect(first.statusCode).toBe(201)
    const { id, version, link, ownerToken } = first.json<Record<string, string>>()
    expect([version, link, ownerToken!.length > 30]).toEqual([1, `/f/${id}`, true])
    const second = await ask('POST', '/api/booklets', { body: { bundle: BUNDLE } })
    expect(second.json<{ id: string }>().id).not.toBe(id)
    const back = await ask('GET', `/api/booklets/${id}/versions/1`)
    expect(back.json()).toEqual(BUNDLE)
    const told = (await ask('GET', `/api/booklets/${id}`)).json<ToldBooklet>()
    expect(told).toMatchObject({ name: 'Bird table', access: 'open', terms: 'Mine.' })
    expect(told.versions).toMatchObject([{ version: 1, whatChanged: '' }])
  })

  it('gives changed content a number, and the newest again none', async () => {
    const { ask, publish } = await startServer()
    const { id, ownerToken: token } = await publish()
    const put = async (bundle: unknown, more: object = {}) =>
      (await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle, ...more } })).json<{ version: number; changes: BundleChanges }>()
    expect(await put(BUNDLE)).toMatchObject({ version: 1 })
    const black = recoloured('black')
    const next = await put(black, { whatChanged: 'A black one.' })
    expect(next.version).toBe(2)
    const counts = (bundle: Bundle) => new Map(bundle.plan.inventory.map(({ shape, colour, count }) => [`${shape} ${colour}`, count]))
    const [was, is] = [counts(BUNDLE), counts(black)]
    const differing = [...new Set([...was.keys(), ...is.keys()])].filter((key) => was.get(key) !== is.get(key))
    expect(differing.length).toBe(2)
    expect(new Map(next.changes.pieces.map((each) => [`${each.shape} ${each.colour}`, [each.was, each.is]]))).toEqual(
      new Map(differing.map((key) => [key, [was.get(key) ?? 0, is.get(key) ?? 0]])),
    )
    expect(next.changes.sections).toEqual({ added: [], removed: [] })
    const { format, ...others } = black
    expect(await put({ ...others, format })).toMatchObject({ version: 2 })
    expect(await put(BUNDLE)).toMatchObject({ version: 3 })
    const told = (await ask('GET', `/api/booklets/${id}`)).json<ToldBooklet>()
    expect(told.versions.map(({ version, whatChanged }) => [version, whatChanged])).toEqual([
      [1, ''],
      [2, 'A black one.'],
      [3, ''],
    ])
    expect((await ask('GET', `/api/booklets/${id}/versions/2`)).json()).toEqual(black)
    for (const n of ['0', '4', 'x', '01', '-1', '1.0']) expect((await ask('GET', `/api/booklets/${id}/versions/${n}`)).statusCode).toBe(404)
  })

  it('numbers versions that come at once one after another', async () => {
    const { ask, publish } = await startServer()
    const { id, ownerToken: token } = await publish()
    const answers = await Promise.all(
      ['A', 'B', 'C', 'D', 'E'].map((name) => ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: renamed(name) } })),
    )
    expect(answers.map((answer) => answer.json<{ version: number }>().version).sort()).toEqual([2, 3, 4, 5, 6])
    const told = (await ask('GET', `/api/booklets/${id}`)).json<ToldBooklet>()
    expect(told.versions.map(({ version }) => version)).toEqual([1, 2, 3, 4, 5, 6])
  })

  it('tells neither token nor password to the disk, nor to whoever asks', async () => {
    const { ask, publish, data } = await startServer()
    const { id, ownerToken: token } = await publish({ password: 'open sesame' })
    const kept = filesIn(data).map((name) => readFileSync(join(data, name), 'utf8'))
    expect(kept.length).toBe(2)
    for (const text of kept) expect([text.includes(token), text.includes('sesame')]).toEqual([false, false])
    const told = await ask('GET', `/api/booklets/${id}`, { token })
    expect(told.body).not.toMatch(/"owner"|sesame|salt|"hash"/)
  })

  it('is for the owner alone', async () => {
    const { ask, publish } = await startServer()
    const { id } = await publish()
    const { ownerToken: other } = await publish()
    for (const [method, body] of [
      ['PUT', { bundle: BUNDLE }],
      ['PATCH', { terms: 'x' }],
      ['DELETE', undefined],
    ] as const) {
      expect(refusal(await ask(method, `/api/booklets/${id}`, { body }))).toEqual([401, 'token-needed'])
      expect(refusal(await ask(method, `/api/booklets/${id}`, { body, token: other }))).toEqual([403, 'not-owner'])
      expect(refusal(await ask(method, `/api/booklets/${'0'.repeat(32)}`, { body, token: other }))).toEqual([404, 'no-booklet'])
    }
  })

  it('is withdrawn for good, and then its owner alone reads it', async () => {
    const { ask, publish } = await startServer()
    const { id, ownerToken: token } = await publish()
    expect((await ask('DELETE', `/api/booklets/${id}`, { token })).statusCode).toBe(204)
    const calls = [
      ['GET', ''],
      ['GET', '/versions/1'],
      ['GET', '/questions'],
      ['POST', '/questions'],
      ['PUT', ''],
      ['PATCH', ''],
      ['DELETE', ''],
    ] as const
    for (const [method, rest] of calls) {
      const body = method === 'GET' || method === 'DELETE' ? undefined : {}
      for (const wrong of [undefined, 'wrong'])
        expect(refusal(await ask(method, `/api/booklets/${id}${rest}`, { body, ...(wrong ? { token: wrong } : {}) }))).toEqual([
          410,
          'withdrawn',
        ])
    }
    expect(refusal(await ask('GET', `/f/${id}`))).toEqual([410, 'withdrawn'])
    expect((await ask('GET', `/api/booklets/${id}`, { token })).json<ToldBooklet>().access).toBe('withdrawn')
    const back = await ask('GET', `/api/booklets/${id}/versions/1`, { token })
    expect([back.json(), back.headers['cache-control']]).toEqual([BUNDLE, 'private, no-store'])
    expect(refusal(await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: BUNDLE } }))).toEqual([410, 'withdrawn'])
    expect((await ask('DELETE', `/api/booklets/${id}`, { token })).statusCode).toBe(204)
  })

  it('takes nothing out of pictures but what is drawn', async () => {
    const { ask } = await startServer()
    const plain = pictureBytes(
      pictureAddress(encode({ width: 2, height: 1, data: Uint8Array.of(9, 9, 9, 8, 8, 8), depth: 8, channels: 3 })),
    )
    const withTail = new Uint8Array(plain.length + 6)
    withTail.set(plain)
    withTail.set(new TextEncoder().encode('secret'), plain.length)
    const decals = [{ id: 'd', name: 'D', picture: pictureAddress(withTail), size: [5, 5] }]
    const answer = await ask('POST', '/api/booklets', { body: { bundle: { ...BUNDLE, model: { ...BUNDLE.model, decals } } } })
    const kept = (await ask('GET', `/api/booklets/${answer.json<{ id: string }>().id}/versions/1`)).json<Bundle>()
    expect(kept.model.decals![0]!.picture).toBe(pictureAddress(plain))
  })

  it('tells a damaged booklet, which nobody may keep, and mends it when it is published again', async () => {
    const { ask, publish, data } = await startServer()
    const { id, ownerToken: token } = await publish()
    const bundle = filesIn(data).find((name) => name.includes('bundles'))!
    writeFileSync(join(data, bundle), '{"half')
    for (const url of [`/api/booklets/${id}/versions/1`, `/f/${id}`]) {
      const answer = await ask('GET', url)
      expect([...refusal(answer), answer.headers['cache-control']]).toEqual([500, 'damaged', 'no-store'])
    }
    expect((await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: BUNDLE } })).json()).toMatchObject({ version: 1 })
    expect((await ask('GET', `/api/booklets/${id}/versions/1`)).json()).toEqual(BUNDLE)
  })
})

describe('who may read', () => {
  const START = Date.parse('2026-12-01T12:00:00Z')
  const clock = { now: START }
  const at = async (now: string, settings: object) => {
    clock.now = START
    const client = await startServer({ now: () => clock.now })
    const published = await client.publish(settings)
    clock.now = Date.parse(now)
    const url = `/api/booklets/${published.id}/versions/1`
    return {
      ...client,
      ...published,
      url,
      access: async () => (await client.ask('GET', `/api/booklets/${published.id}`)).json<ToldBooklet>().access,
    }
  }

  it('anybody, of an open one, which may be kept for ever', async () => {
    const { ask, url, server } = await at('2026-12-01T12:00:00Z', {})
    const answer = await ask('GET', url)
    expect(answer.headers['cache-control']).toBe('public, max-age=31536000, immutable')
    const again = await server.inject({ url, headers: { 'if-none-match': `W/"x", ${String(answer.headers['etag'])}` } })
    expect([again.statusCode, again.body]).toEqual([304, ''])
  })

  it('whoever knows the password, which may be written in any script', async () => {
    const { ask, url, access, id } = await at('2026-12-01T12:00:00Z', { password: 'Ключ 鍵 é' })
    expect(await access()).toBe('password')
    expect(refusal(await ask('GET', url))).toEqual([401, 'password-needed'])
    expect(refusal(await ask('GET', url, { password: 'wrong' }))).toEqual([401, 'password-needed'])
    const answer = await ask('GET', url, { password: 'Ключ 鍵 e\u0301' })
    expect([answer.statusCode, answer.headers['cache-control']]).toEqual([200, 'private, no-cache'])
    const told = (await ask('GET', `/api/booklets/${id}`)).json<ToldBooklet>()
    expect(told.versions[0]).not.toHaveProperty('changes')
    expect((await ask('GET', `/api/booklets/${id}`, { password: 'Ключ 鍵 é' })).json<ToldBooklet>().versions[0]).toHaveProperty('changes')
  })

  it('anybody until a date, also where there is a password; after it nobody but the owner', async () => {
    const window = { freeUntil: '2026-12-02', after: 'closed', note: 'It comes back in spring.' }
    const { ask, url, access, ownerToken: token, id } = await at('2026-12-01T23:59:00Z', { window, password: 'p' })
    expect(await access()).toBe('open')
    expect((await ask('GET', url)).headers['cache-control']).toBe('public, max-age=60, must-revalidate')
    clock.now = Date.parse('2026-12-02T00:00:00Z')
    expect(await access()).toBe('closed')
    const closed = await ask('GET', url, { password: 'p' })
    expect(refusal(closed)).toEqual([403, 'window-closed'])
    expect(closed.body).toContain('It comes back in spring.')
    const own = await ask('GET', url, { token })
    expect([own.statusCode, own.headers['cache-control']]).toEqual([200, 'private, no-store'])
    const page = await ask('GET', `/f/${id}`, { accept: 'text/html' })
    expect([page.statusCode, page.body.includes('It comes back in spring.'), page.body.includes('Bird table')]).toEqual([403, true, false])
  })

  it('whoever knows the password after a date', async () => {
    const { ask, url, id } = await at('2026-12-24T17:30:00Z', {
      window: { freeUntil: '2026-12-24T18:00+01:00', after: 'password' },
      password: 'p',
    })
    expect(refusal(await ask('GET', url))).toEqual([401, 'password-needed'])
    expect((await ask('GET', url, { password: 'p' })).statusCode).toBe(200)
    const page = await ask('GET', `/f/${id}`, { accept: 'text/html' })
    expect([
      page.statusCode,
      page.body.includes('"isLocked":true'),
      page.body.includes('Bird table'),
      page.body.includes('inventory'),
    ]).toEqual([401, true, false, false])
  })

  it('is changed by the owner, setting by setting, and never so that nobody could', async () => {
    const { ask, id, ownerToken: token, access } = await at('2026-12-01T12:00:00Z', { terms: 'Old.' })
    const patch = (body: object) => ask('PATCH', `/api/booklets/${id}`, { token, body })
    expect((await patch({ password: 'p' })).json<ToldBooklet>()).toMatchObject({ access: 'password', terms: 'Old.' })
    expect((await patch({ password: null, terms: null })).json<ToldBooklet>()).not.toHaveProperty('terms')
    expect(await access()).toBe('open')
    const needsOne = await patch({ window: { freeUntil: '2020-01-01', after: 'password' } })
    expect(refusal(needsOne)).toEqual([400, 'bad-value'])
    expect(needsOne.json<{ place: string }>().place).toBe('window.after')
    expect((await patch({ window: { freeUntil: '2020-01-01', after: 'password' }, password: 'p' })).statusCode).toBe(200)
    expect(refusal(await patch({ password: null }))).toEqual([400, 'bad-value'])
    expect((await patch({ window: null })).json<ToldBooklet>().access).toBe('password')
  })

  it('is told alike for times without a zone', async () => {
    const { access } = await at('2026-12-03T09:59:59Z', { window: { freeUntil: '2026-12-03T10:00', after: 'closed' } })
    expect(await access()).toBe('open')
    clock.now += 1000
    expect(await access()).toBe('closed')
  })

  it('is tried no more than twenty times by an address in a quarter of an hour', async () => {
    const { ask, url, publish } = await at('2026-12-01T12:00:00Z', { password: 'p' })
    const tries = await Promise.all(Array.from({ length: 30 }, (_, i) => ask('GET', url, { password: `wrong ${i}` })))
    expect(tries.filter(({ statusCode }) => statusCode === 401).length).toBe(20)
    const late = await ask('GET', url, { password: 'p' })
    expect(refusal(late)).toEqual([429, 'too-often'])
    expect(Number(late.headers['retry-after'])).toBeGreaterThan(800)
    const other = await publish({ password: 'p' })
    expect((await ask('GET', `/api/booklets/${other.id}/versions/1`, { password: 'p' })).statusCode).toBe(200)
  })
})

describe('how often', () => {
  it('sixty booklets and versions an hour come from an address; what is refused or new to nobody does not count', async () => {
    const { ask, publish } = await startServer({
      limits: {
        publish: { most: 3, windowMs: 3600_000, what: 'booklets were published' },
        questions: { most: 1, windowMs: 3600_000, what: 'questions were asked' },
        passwords: { most: 1, windowMs: 1000, what: 'x' },
        practice: { most: 1, windowMs: 1000, what: 'x' },
      },
    })
    const { id, ownerToken: token } = await publish()
    for (let i = 0; i < 4; i++) await ask('POST', '/api/booklets', { body: { bundle: {} } })
    for (let i = 0; i < 4; i++) await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: BUNDLE } })
    await publish()
    expect((await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: renamed('B') } })).statusCode).toBe(200)
    const often = await ask('POST', '/api/booklets', { body: { bundle: BUNDLE } })
    expect(refusal(often)).toEqual([429, 'too-often'])
    expect(Number(often.headers['retry-after'])).toBeGreaterThan(3500)
    const question = { kind: 'question', text: 'How?' }
    expect((await ask('POST', `/api/booklets/${id}/questions`, { body: question })).statusCode).toBe(201)
    expect(refusal(await ask('POST', `/api/booklets/${id}/questions`, { body: question }))).toEqual([429, 'too-often'])
  })
})
