import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import { reportModel, viewsOf } from '@core/checks'
import { makeBundle } from '@core/formats'
import { readModelText } from '@core/model'
import { buildServer } from './app'

const model = readModelText(readFileSync(new URL('../../demo/models/bird-table.rail.json', import.meta.url), 'utf8'))
const { report, looks } = reportModel(model)
const bundle = makeBundle(model, report, viewsOf(looks))

const open: { close: () => Promise<unknown> }[] = []
async function start(publishLimit = 100) {
  const folder = mkdtempSync(join(tmpdir(), 'jump-rail-'))
  const followPage = join(folder, 'follow.html')
  writeFileSync(followPage, '<title>x</title><script type="application/json" id="bundle"></script><script type="module">go()</script>')
  const data = join(folder, 'bundles')
  const server = await buildServer({ data, app: join(folder, 'none'), followPage, publishLimit })
  open.push(server)
  return { server, data }
}
afterEach(async () => {
  await Promise.all(open.splice(0).map((server) => server.close()))
})

describe('the server', () => {
  it('is well', async () => {
    const { server } = await start()
    expect((await server.inject('/healthz')).json()).toEqual({ status: 'ok' })
  })

  it('keeps a booklet under its content, once, whole, and gives it back', async () => {
    const { server, data } = await start()
    const first = await server.inject({ method: 'POST', url: '/api/bundles', payload: bundle })
    expect(first.statusCode).toBe(201)
    const { id, path } = first.json<{ id: string; path: string }>()
    expect(path).toBe(`/f/${id}`)
    const again = await server.inject({ method: 'POST', url: '/api/bundles', payload: bundle })
    expect(again.statusCode).toBe(200)
    expect(again.json()).toEqual({ id, path })
    expect(readdirSync(data)).toEqual([`${id}.json`])
    expect((await server.inject(`/api/bundles/${id}`)).json()).toEqual(bundle)
    const other = await server.inject({ method: 'POST', url: '/api/bundles', payload: { ...bundle, model: { ...model, name: 'Other' } } })
    expect(other.json<{ id: string }>().id).not.toBe(id)
  })

  it('shows it on a page whose scripts are the page’s own only', async () => {
    const { server } = await start()
    const { path } = (await server.inject({ method: 'POST', url: '/api/bundles', payload: bundle })).json<{ path: string }>()
    const page = await server.inject(path)
    expect(page.statusCode).toBe(200)
    expect(page.headers['content-type']).toContain('text/html')
    const nonce = /'nonce-([^']+)'/.exec(String(page.headers['content-security-policy']))![1]!
    expect(page.body).toContain(`<script nonce="${nonce}" type="module">`)
    expect(page.body).toContain('<title>Bird table</title>')
  })

  it.each([
    ['no bundle', { a: 1 }, 400, 'not-a-bundle'],
    ['a broken model', { ...bundle, model: { ...model, root: 'x' } }, 400, 'missing-root'],
  ])('refuses %s with a code and a sentence', async (_what, payload, status, code) => {
    const { server, data } = await start()
    const answer = await server.inject({ method: 'POST', url: '/api/bundles', payload })
    expect(answer.statusCode).toBe(status)
    expect(answer.json()).toMatchObject({ code, message: expect.stringMatching(/\.$/) as unknown })
    expect(readdirSync(data)).toEqual([])
  })

  it('refuses what is not JSON, what is too large, and too much at once', async () => {
    const { server } = await start(2)
    const text = await server.inject({ method: 'POST', url: '/api/bundles', payload: '{', headers: { 'content-type': 'application/json' } })
    expect(text.statusCode).toBe(400)
    const large = await server.inject({
      method: 'POST',
      url: '/api/bundles',
      payload: `"${'x'.repeat(33 * 1024 * 1024)}"`,
      headers: { 'content-type': 'application/json' },
    })
    expect([large.statusCode, large.json<{ code: string }>().code]).toEqual([413, 'too-large'])
    const often = await server.inject({ method: 'POST', url: '/api/bundles', payload: bundle })
    expect([often.statusCode, often.json<{ code: string }>().code]).toEqual([429, 'too-often'])
  })

  it('knows no booklet by a made-up or an evil address', async () => {
    const { server } = await start()
    for (const url of ['/f/0123456789abcdef01234567', '/f/..%2f..%2fpackage', '/api/bundles/x']) {
      const answer = await server.inject(url)
      expect([answer.statusCode, answer.json<{ code: string }>().code]).toEqual([404, 'no-bundle'])
    }
  })
})

describe('the program', () => {
  it('says where it is, and stops cleanly when it is told to', async () => {
    const top = new URL('../../', import.meta.url).pathname
    const env = { ...process.env, PORT: '4196', JUMP_RAIL_DATA: mkdtempSync(join(tmpdir(), 'jump-rail-')) }
    const child = spawn(process.execPath, ['--import', 'tsx', join(top, 'src/server/main.ts')], { cwd: top, env })
    const ended = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)))
    const said = await new Promise<string>((resolve, reject) => {
      child.stdout.on('data', (data: Buffer) => resolve(data.toString()))
      child.stderr.on('data', (data: Buffer) => reject(new Error(data.toString())))
    })
    expect(said).toBe('Jump Rail is at http://127.0.0.1:4196\n')
    expect(await (await fetch('http://127.0.0.1:4196/healthz')).json()).toEqual({ status: 'ok' })
    child.kill('SIGTERM')
    expect(await ended).toBe(0)
  })
})
