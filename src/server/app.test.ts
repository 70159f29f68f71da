import { mkdirSync, readdirSync, rmSync, symlinkSync, utimesSync, writeFileSync } from 'node:fs'
import { connect } from 'node:net'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { noteRoutes } from './routes/noted-routes'
import { BUNDLE, newFolder, refusal, renamed, startServer, stopAll } from './support/start'
import Fastify from 'fastify'
import { FolderStore } from './store'

afterEach(stopAll)

describe('the server', () => {
  it('is well, and ready only where it can write', async () => {
    const { ask, data } = await startServer()
    expect((await ask('GET', '/healthz')).json()).toEqual({ status: 'ok' })
    expect((await ask('GET', '/readyz')).statusCode).toBe(200)
    expect(readdirSync(join(data, 'aside'))).toEqual([])
    // Root may write everywhere, so the folder itself goes.
    rmSync(data, { recursive: true })
    const answer = await ask('GET', '/readyz')
    expect([...refusal(answer), answer.headers['retry-after']]).toEqual([503, 'no-store', '5'])
    expect((await ask('GET', '/healthz')).statusCode).toBe(200)
  })

  it('shows a booklet on a page whose scripts are the page’s own only', async () => {
    const { ask, publish } = await startServer()
    const { id, ownerToken: token } = await publish()
    await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: renamed('</script><b>Next') } })
    const page = await ask('GET', `/f/${id}`)
    expect([page.statusCode, page.headers['content-type']]).toEqual([200, expect.stringContaining('text/html') as unknown])
    const nonce = /'nonce-([^']+)'/.exec(String(page.headers['content-security-policy']))![1]!
    expect(page.body).toContain(`<script nonce="${nonce}" type="module">`)
    expect(page.body).toContain('<title>&lt;/script&gt;&lt;b&gt;Next</title>')
    expect(page.body).toContain('"version":2,"newest":2')
    const first = await ask('GET', `/f/${id}?v=1`)
    expect(first.body).toContain('<title>Bird table</title>')
    expect(first.body).toContain('"version":1,"newest":2')
    expect((await ask('GET', `/f/${id}?v=3`)).statusCode).toBe(404)
  })

  it('sweeps what a crash has left long ago, and follows no link laid in its folder', async () => {
    const folder = newFolder()
    const data = join(folder, 'data')
    mkdirSync(join(data, 'aside'), { recursive: true })
    writeFileSync(join(data, 'aside', 'old'), 'half')
    utimesSync(join(data, 'aside', 'old'), 1, 1)
    writeFileSync(join(data, 'aside', 'of another server'), 'half')
    writeFileSync(join(folder, 'secret'), '{"secret":1}')
    const id = 'b'.repeat(32)
    mkdirSync(join(data, 'booklets', 'bb', id), { recursive: true })
    symlinkSync(join(folder, 'secret'), join(data, 'booklets', 'bb', id, 'booklet.json'))
    const { ask } = await startServer({ store: new FolderStore(data) })
    expect(readdirSync(join(data, 'aside'))).toEqual(['of another server'])
    const answer = await ask('GET', `/api/booklets/${id}`)
    expect([answer.statusCode, answer.body.includes('secret')]).toEqual([404, false])
  })

  it('knows no booklet by a made-up or an evil address', async () => {
    const { ask } = await startServer()
    for (const url of ['/f/0123456789abcdef0123456789abcdef', '/f/..%2f..%2fpackage', '/api/booklets/x', '/api/booklets/x/versions/1'])
      expect(refusal(await ask('GET', url))).toEqual([404, 'no-booklet'])
  })

  it('shows people who follow a wrong link a page, and forgives a slash at its end', async () => {
    const { ask, publish } = await startServer()
    const wrong = await ask('GET', `/f/${'0'.repeat(32)}`, { accept: 'text/html' })
    expect([wrong.statusCode, wrong.headers['content-type']]).toEqual([404, expect.stringContaining('text/html') as unknown])
    expect(wrong.body).toContain('<h1>There is no booklet at this address.</h1>')
    const evil = await ask('GET', '/nothing<script>', { accept: 'text/html' })
    expect(evil.body).not.toContain('<script>')
    const { id } = await publish()
    const slash = await ask('GET', `/f/${id}/`)
    expect([slash.statusCode, slash.headers['location']]).toEqual([308, `/f/${id}`])
  })

  it('describes all that it takes, and nothing else', async () => {
    const { ask } = await startServer()
    const described = (await ask('GET', '/api/openapi.json')).json<{ openapi: string; paths: Record<string, object> }>()
    expect(described.openapi).toMatch(/^3\.1/)
    const calls = Object.entries(described.paths).flatMap(([path, methods]) =>
      Object.keys(methods).map((each) => `${each.toUpperCase()} ${path}`),
    )
    // What is there answers with anything but 404 `not-found` or 405; what is not described is one of them.
    for (const method of ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'] as const)
      for (const path of Object.keys(described.paths)) {
        const answer = await ask(method, path.replace('{id}', '0'.repeat(32)).replace(/\{\w\}/, '1'))
        expect([method, path, answer.statusCode !== 405]).toEqual([method, path, calls.includes(`${method} ${path}`)])
        if (answer.statusCode === 404) expect(refusal(answer)[1]).toBe('no-booklet')
      }
  })
})

describe('refusals', () => {
  const json = { 'content-type': 'application/json' }

  it.each([
    ['no bundle', { bundle: { a: 1 } }, 'not-a-bundle', 'bundle.format'],
    ['a broken model', { bundle: { ...BUNDLE, model: { ...BUNDLE.model, root: 'x' } } }, 'missing-root', 'bundle.model.root'],
    [
      'a plan of another model',
      { bundle: { ...BUNDLE, model: { ...BUNDLE.model, sections: [{ ...BUNDLE.model.sections[0]!, parts: [] }] } } },
      'bundle-mismatch',
      undefined,
    ],
    ['nothing', {}, 'missing-key', 'bundle'],
    ['a key that is not known', { bundle: BUNDLE, licence: 'x' }, 'unknown-key', 'licence'],
    ['terms without end', { bundle: BUNDLE, terms: 'x'.repeat(20_001) }, 'too-long', 'terms'],
    ['a day that is none', { bundle: BUNDLE, window: { freeUntil: '2026-02-30', after: 'closed' } }, 'bad-value', 'window.freeUntil'],
    [
      'a time that is none',
      { bundle: BUNDLE, window: { freeUntil: '2026-02-03T25:00', after: 'closed' } },
      'bad-value',
      'window.freeUntil',
    ],
    ['a window without end', { bundle: BUNDLE, window: { after: 'closed' } }, 'missing-key', 'window.freeUntil'],
    ['a password that is missing', { bundle: BUNDLE, window: { freeUntil: '2026-02-03', after: 'password' } }, 'bad-value', 'window.after'],
    ['a number for a password', { bundle: BUNDLE, password: 5 }, 'bad-value', 'password'],
  ])('of %s carry a code, a sentence and the place', async (_what, body, code, place) => {
    const { ask, data } = await startServer()
    const answer = await ask('POST', '/api/booklets', { body })
    expect(refusal(answer)).toEqual([400, code])
    const told = answer.json<Record<string, string>>()
    expect(told['message']).toMatch(/[.”]$/)
    expect(told['requestId']).toBe(answer.headers['x-request-id'])
    if (place !== undefined) expect(told['place']).toBe(place)
    expect(readdirSync(data)).toEqual(['aside'])
  })

  it('have one form, the framework’s own included', async () => {
    const { server } = await startServer()
    const post = (url: string, payload: string | Buffer, headers: Record<string, string> = json) =>
      server.inject({ method: 'POST', url, payload, headers })
    const cases = [
      [await post('/api/booklets', '{'), 400, 'bad-request'],
      [await post('/api/booklets', ''), 400, 'bad-request'],
      [await post('/api/booklets', Buffer.from([0x22, 0xff, 0x22])), 400, 'bad-request'],
      [await post('/api/booklets', '{"__proto__":{"a":1}}'), 400, 'unknown-key'],
      [await post('/api/booklets', '[]'), 400, 'bad-value'],
      [await post('/api/booklets', 'x', { 'content-type': 'text/plain' }), 415, 'wrong-type'],
      [await post('/api/booklets', 'x', {}), 415, 'wrong-type'],
      [await post('/api/booklets', '{}', { ...json, 'content-encoding': 'gzip' }), 415, 'wrong-type'],
      [await post('/api/booklets', `"${'x'.repeat(33 * 1024 * 1024)}"`), 413, 'too-large'],
      [await post('/api/nothing', '{}'), 404, 'not-found'],
      [await post('/healthz', '{}'), 405, 'method-not-allowed'],
      [await server.inject({ method: 'PUT', url: '/api/booklets', payload: '{}', headers: json }), 405, 'method-not-allowed'],
      [await server.inject({ method: 'OPTIONS', url: '/api/booklets' }), 405, 'method-not-allowed'],
      [await server.inject('/api/booklets/%zz'), 400, 'bad-request'],
      [await server.inject({ url: `/api/booklets/${'0'.repeat(32)}`, headers: { authorization: 'Basic x' } }), 404, 'no-booklet'],
      [await server.inject(`/api/booklets/${'x'.repeat(500)}`), 404, 'no-booklet'],
    ] as const
    for (const [answer, status, code] of cases) {
      expect(refusal(answer)).toEqual([status, code])
      const told = answer.json<Record<string, string>>()
      expect(told['message']!.length).toBeGreaterThan(5)
      expect(told['requestId']).toMatch(/^[0-9a-f-]{36}$/)
      expect(answer.headers['access-control-allow-origin']).toBeUndefined()
      expect(answer.headers['set-cookie']).toBeUndefined()
    }
    expect(cases[11][0].headers['allow']).toBe('POST')
  })

  it('name a password that cannot be read', async () => {
    const { server, publish } = await startServer()
    const { id } = await publish({ password: 'p' })
    const answer = await server.inject({ url: `/api/booklets/${id}/versions/1`, headers: { 'x-booklet-password': '%zz' } })
    expect([...refusal(answer), answer.json<{ place: string }>().place]).toEqual([400, 'bad-request', 'X-Booklet-Password'])
  })

  it('have the same headers as every answer, also on what is no request', async () => {
    const { server } = await startServer()
    await server.listen({ port: 0, host: '127.0.0.1' })
    const { port } = server.server.address() as { port: number }
    const raw = await new Promise<string>((resolve) => {
      let text = ''
      const socket = connect(port, '127.0.0.1', () => socket.write('NONSENSE\r\n\r\n'))
      socket.on('data', (data) => (text += data.toString()))
      socket.on('close', () => resolve(text))
    })
    expect(raw).toMatch(/^HTTP\/1.1 400 /)
    expect(raw).toContain('"requestId"')
    for (const answer of [
      await server.inject('/healthz'),
      await server.inject('/api/none'),
      await server.inject({ method: 'PUT', url: '/' }),
    ]) {
      for (const name of ['content-security-policy', 'permissions-policy', 'x-content-type-options', 'referrer-policy', 'x-request-id']) {
        expect(answer.headers[name]).toBeTruthy()
        expect(raw.toLowerCase()).toContain(`${name}: `)
      }
      expect(answer.headers['content-security-policy']).toContain("form-action 'none'")
    }
  })
})

describe('noted routes', () => {
  it('say which methods an address takes', () => {
    const server = Fastify()
    const { methodsAt } = noteRoutes(server)
    server.get('/a/:id', () => '')
    server.put('/a/:id', () => '')
    expect(methodsAt('/a/x')).toEqual(['GET', 'HEAD', 'PUT'])
    expect(methodsAt('/a/x/y')).toEqual([])
  })
})
