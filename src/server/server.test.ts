import { spawn } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { encode } from 'fast-png'
import { afterEach, describe, expect, it } from 'vitest'
import { reportModel, viewsOf } from '@core/pipeline'
import { makeBundle, type Bundle } from '@core/booklet'
import { pictureAddress, pictureBytes, readModelText } from '@core/model'
import { buildServer, type ServerOptions } from './app'
import { SpaceLimit } from './space-limit'

const model = readModelText(readFileSync(new URL('../../demo/models/bird-table.rail.json', import.meta.url), 'utf8'))
const { report, looks } = reportModel(model)
const bundle = makeBundle(model, report, viewsOf(looks))

const open: { close: () => Promise<unknown> }[] = []
async function start(more: Partial<ServerOptions> = {}) {
  const folder = mkdtempSync(join(tmpdir(), 'jump-rail-'))
  const followPage = join(folder, 'follow.html')
  writeFileSync(followPage, '<title>x</title><script type="application/json" id="bundle"></script><script type="module">go()</script>')
  const data = join(folder, 'bundles')
  const server = await buildServer({ data, app: join(folder, 'none'), followPage, publishLimit: 100, ...more })
  open.push(server)
  const publish = (payload: unknown) => server.inject({ method: 'POST', url: '/api/bundles', payload: payload as object })
  return { server, data, publish }
}
afterEach(async () => {
  await Promise.all(open.splice(0).map((server) => server.close()))
})
const codeOf = (answer: { json: <T>() => T }): string => answer.json<{ code: string }>().code

describe('the server', () => {
  it('is well, and ready only where it can write', async () => {
    const { server, data } = await start()
    expect((await server.inject('/healthz')).json()).toEqual({ status: 'ok' })
    expect((await server.inject('/readyz')).statusCode).toBe(200)
    expect(readdirSync(data)).toEqual([])
    const gone = await start()
    // Root may write everywhere, so the folder itself goes.
    const { rmSync } = await import('node:fs')
    rmSync(gone.data, { recursive: true })
    const answer = await gone.server.inject('/readyz')
    expect([answer.statusCode, codeOf(answer)]).toEqual([503, 'no-store'])
  })

  it('keeps a booklet under its content, once, whole, and gives it back as bytes', async () => {
    const { server, data, publish } = await start()
    const first = await publish(bundle)
    expect(first.statusCode).toBe(201)
    const { id, path } = first.json<{ id: string; path: string }>()
    expect(path).toBe(`/f/${id}`)
    const again = await publish(bundle)
    expect([again.statusCode, again.json()]).toEqual([200, { id, path }])
    expect(readdirSync(data)).toEqual([`${id}.json`])
    const back = await server.inject(`/api/bundles/${id}`)
    expect(back.json()).toEqual(bundle)
    expect(back.headers['cache-control']).toContain('immutable')
    const other = await publish({ ...bundle, model: { ...model, name: 'Other' } })
    expect(other.json<{ id: string }>().id).not.toBe(id)
  })

  it('shows it on a page whose scripts are the page’s own only', async () => {
    const { server, publish } = await start()
    const { path } = (await publish(bundle)).json<{ path: string }>()
    const page = await server.inject(path)
    expect(page.statusCode).toBe(200)
    expect(page.headers['content-type']).toContain('text/html')
    const nonce = /'nonce-([^']+)'/.exec(String(page.headers['content-security-policy']))![1]!
    expect(page.body).toContain(`<script nonce="${nonce}" type="module">`)
    expect(page.body).toContain('<title>Bird table</title>')
  })

  it('tells a damaged booklet, which nobody may keep, and mends it when it is published again', async () => {
    const { server, data, publish } = await start()
    const { id } = (await publish(bundle)).json<{ id: string }>()
    writeFileSync(join(data, `${id}.json`), '{"half')
    for (const url of [`/api/bundles/${id}`, `/f/${id}`]) {
      const answer = await server.inject(url)
      expect([answer.statusCode, codeOf(answer), answer.headers['cache-control']]).toEqual([500, 'damaged', 'no-store'])
    }
    expect((await publish(bundle)).statusCode).toBe(201)
    expect((await server.inject(`/api/bundles/${id}`)).json()).toEqual(bundle)
  })

  it('sweeps what a crash has left, and follows no link laid in its folder', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'jump-rail-'))
    const data = join(folder, 'bundles')
    mkdirSync(data)
    writeFileSync(join(data, `${'a'.repeat(24)}.json.0a1b.tmp`), 'half')
    writeFileSync(join(folder, 'secret'), 'secret')
    symlinkSync(join(folder, 'secret'), join(data, `${'b'.repeat(24)}.json`))
    const server = await buildServer({ data, app: join(folder, 'none'), followPage: join(folder, 'none') })
    open.push(server)
    expect(readdirSync(data)).toEqual([`${'b'.repeat(24)}.json`])
    const answer = await server.inject(`/api/bundles/${'b'.repeat(24)}`)
    expect([answer.statusCode, answer.body.includes('secret')]).toEqual([404, false])
  })

  it('keeps nothing half where it cannot write, and goes on reading', async () => {
    const { server, data, publish } = await start()
    const { id } = (await publish(bundle)).json<{ id: string }>()
    chmodSync(data, 0o500)
    if (process.getuid?.() !== 0) {
      const answer = await publish({ ...bundle, model: { ...model, name: 'Other' } })
      expect(answer.statusCode).toBe(500)
    }
    chmodSync(data, 0o700)
    expect(readdirSync(data)).toEqual([`${id}.json`])
    expect((await server.inject(`/api/bundles/${id}`)).statusCode).toBe(200)
  })

  it('takes nothing out of pictures but what is drawn', async () => {
    const { server, publish } = await start()
    const plain = pictureBytes(
      pictureAddress(encode({ width: 2, height: 1, data: Uint8Array.of(9, 9, 9, 8, 8, 8), depth: 8, channels: 3 })),
    )
    const withTail = new Uint8Array(plain.length + 6)
    withTail.set(plain)
    withTail.set(new TextEncoder().encode('secret'), plain.length)
    const decals = [{ id: 'd', name: 'D', picture: pictureAddress(withTail), size: [5, 5] }]
    const { id } = (await publish({ ...bundle, model: { ...model, decals } })).json<{ id: string }>()
    const kept = (await server.inject(`/api/bundles/${id}`)).json<Bundle>()
    expect(kept.model.decals![0]!.picture).toBe(pictureAddress(plain))
  })

  it.each([
    ['no bundle', { a: 1 }, 'not-a-bundle'],
    ['a broken model', { ...bundle, model: { ...model, root: 'x' } }, 'missing-root'],
    ['a plan of another model', { ...bundle, model: { ...model, sections: [{ ...model.sections[0]!, parts: [] }] } }, 'bundle-mismatch'],
  ])('refuses %s with a code and a sentence', async (_what, payload, code) => {
    const { data, publish } = await start()
    const answer = await publish(payload)
    expect(answer.statusCode).toBe(400)
    expect(answer.json()).toMatchObject({ code, message: expect.stringMatching(/\.$/) as unknown })
    expect(readdirSync(data)).toEqual([])
  })

  it('refuses what is not JSON, what is too large, and too much at once', async () => {
    const { server, publish } = await start({ publishLimit: 2 })
    const json = { 'content-type': 'application/json' }
    const text = await server.inject({ method: 'POST', url: '/api/bundles', payload: '{', headers: json })
    expect([text.statusCode, codeOf(text)]).toEqual([400, 'bad-request'])
    const large = await server.inject({ method: 'POST', url: '/api/bundles', payload: `"${'x'.repeat(33 * 1024 * 1024)}"`, headers: json })
    expect([large.statusCode, codeOf(large)]).toEqual([413, 'too-large'])
    const often = await publish(bundle)
    expect([often.statusCode, codeOf(often)]).toEqual([429, 'too-often'])
  })

  it('limits views, and the space that one address takes', async () => {
    const { server, publish } = await start({ viewLimit: 1, spaceLimit: 3 * JSON.stringify(bundle).length })
    const { path } = (await publish(bundle)).json<{ path: string }>()
    expect((await server.inject(path)).statusCode).toBe(200)
    expect((await server.inject(path)).statusCode).toBe(429)
    const codes: string[] = []
    for (let i = 0; i < 8; i++)
      codes.push((await publish({ ...bundle, model: { ...model, name: `Other ${i}` } })).json<{ code?: string }>().code ?? 'taken')
    expect(codes).toContain('taken')
    expect(codes).toContain('too-much')
  })

  it('knows no booklet by a made-up or an evil address', async () => {
    const { server } = await start()
    for (const url of ['/f/0123456789abcdef01234567', '/f/..%2f..%2fpackage', '/api/bundles/x']) {
      const answer = await server.inject(url)
      expect([answer.statusCode, codeOf(answer)]).toEqual([404, 'no-bundle'])
    }
  })

  it('shows people who follow a wrong link a page, and forgives a slash at its end', async () => {
    const { server, publish } = await start()
    const wrong = await server.inject({ url: '/f/0123456789abcdef01234567', headers: { accept: 'text/html' } })
    expect([wrong.statusCode, wrong.headers['content-type']]).toEqual([404, expect.stringContaining('text/html') as unknown])
    expect(wrong.body).toContain('<h1>There is no booklet at this address.</h1>')
    const evil = await server.inject({ url: '/nothing<script>', headers: { accept: 'text/html' } })
    expect(evil.body).not.toContain('<script>')
    const { path } = (await publish(bundle)).json<{ path: string }>()
    const slash = await server.inject(`${path}/`)
    expect([slash.statusCode, slash.headers['location']]).toEqual([308, path])
  })

  it('has the same headers on every answer, also on what is no request', async () => {
    const { server } = await start()
    await server.listen({ port: 0, host: '127.0.0.1' })
    const { port } = server.server.address() as { port: number }
    const raw = await new Promise<string>((resolve) => {
      let text = ''
      const socket = connect(port, '127.0.0.1', () => socket.write('NONSENSE\r\n\r\n'))
      socket.on('data', (data) => (text += data.toString()))
      socket.on('close', () => resolve(text))
    })
    expect(raw).toMatch(/^HTTP\/1.1 400 /)
    for (const answer of [
      await server.inject('/healthz'),
      await server.inject('/api/none'),
      await server.inject({ method: 'PUT', url: '/' }),
    ]) {
      for (const name of ['content-security-policy', 'permissions-policy', 'x-content-type-options', 'referrer-policy']) {
        expect(answer.headers[name]).toBeTruthy()
        expect(raw.toLowerCase()).toContain(`${name}: `)
      }
      expect(answer.headers['content-security-policy']).toContain("form-action 'none'")
    }
  })
})

describe('the space of an address', () => {
  it('is counted for a while, address by address', () => {
    let now = 0
    const space = new SpaceLimit(100, 1000, () => now)
    space.take('a', 80)
    expect(() => space.take('a', 30)).toThrow('must rest')
    space.take('b', 100)
    now = 1001
    space.take('a', 90)
  })
})

describe('the program', () => {
  const top = new URL('../../', import.meta.url).pathname
  const run = (port: number, program: readonly string[]) => {
    const env = { ...process.env, PORT: String(port), JUMP_RAIL_DATA: mkdtempSync(join(tmpdir(), 'jump-rail-')) }
    const child = spawn(process.execPath, [...program], { cwd: top, env })
    const ended = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)))
    const said = new Promise<string>((resolve) => child.stdout.once('data', (data: Buffer) => resolve(data.toString())))
    let errors = ''
    child.stderr.on('data', (data: Buffer) => (errors += data.toString()))
    return { child, ended, said, errors: () => errors }
  }
  const fromSource = ['--import', 'tsx', join(top, 'src/server/main.ts')]

  it('says where it is, logs refusals without who asked, and stops cleanly when it is told to', async () => {
    const { child, ended, said, errors } = run(4196, fromSource)
    expect(await said).toBe('Jump Rail is at http://127.0.0.1:4196\n')
    expect(await (await fetch('http://127.0.0.1:4196/healthz')).json()).toEqual({ status: 'ok' })
    await fetch('http://127.0.0.1:4196/api/bundles', { method: 'POST', body: '{}', headers: { 'content-type': 'application/json' } })
    child.kill('SIGTERM')
    expect(await ended).toBe(0)
    const logged = errors()
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>)
    expect(logged.find(({ msg }) => msg === 'refused')).toMatchObject({ code: 'not-a-bundle', status: 400 })
    expect(JSON.stringify(logged.filter(({ msg }) => msg === 'refused'))).not.toMatch(/remote|address/i)
  })

  it('answers what is under way when it is told to stop', async () => {
    const { child, ended, said } = run(4197, fromSource)
    await said
    const text = JSON.stringify(bundle)
    const socket = connect(4197, '127.0.0.1')
    await new Promise((resolve) => socket.once('connect', resolve))
    let answer = ''
    socket.on('data', (data) => (answer += data.toString()))
    const closed = new Promise((resolve) => socket.once('close', resolve))
    socket.write(
      `POST /api/bundles HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: ${Buffer.byteLength(text)}\r\n\r\n`,
    )
    socket.write(text.slice(0, 1000))
    await new Promise((resolve) => setTimeout(resolve, 200))
    child.kill('SIGTERM')
    await new Promise((resolve) => setTimeout(resolve, 200))
    socket.write(text.slice(1000))
    await closed
    expect(answer).toMatch(/^HTTP\/1.1 201 /)
    expect(await ended).toBe(0)
  })
})
