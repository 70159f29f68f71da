import { spawn } from 'node:child_process'
import { connect } from 'node:net'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import S3rver from 's3rver'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { buildPrograms } from '../../tests/support/built'
import { BUNDLE, newFolder, renamed } from './support/start'

/** Servers as processes of their own, as they are run. */

let built = ''
beforeAll(async () => {
  built = await buildPrograms('server')
}, 120_000)
const children: ReturnType<typeof spawn>[] = []
afterEach(() => children.splice(0).forEach((child) => child.kill('SIGKILL')))

async function run(port: number, environment: Record<string, string> = {}) {
  const env = { ...process.env, JUMP_RAIL_STORE: newFolder(), ...environment, PORT: String(port) }
  const child = spawn(process.execPath, [join(built, 'server.js')], { env })
  children.push(child)
  const ended = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)))
  let errors = ''
  child.stderr.on('data', (data: Buffer) => (errors += data.toString()))
  const said = await new Promise<string>((resolve) => child.stdout.once('data', (data: Buffer) => resolve(data.toString())))
  const base = `http://127.0.0.1:${port}`
  const ask = (method: string, path: string, body?: unknown, token?: string) =>
    fetch(base + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...(token ? { authorization: `Bearer ${token}` } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
  const publish = async () => (await (await ask('POST', '/api/booklets', { bundle: BUNDLE })).json()) as { id: string; ownerToken: string }
  return { child, ended, said, base, ask, publish, errors: () => errors }
}

describe('the program', () => {
  it('says where it is, logs refusals without who asked, and stops cleanly when it is told to', async () => {
    const { child, ended, said, ask, errors } = await run(4196)
    expect(said).toBe('Jump Rail is at http://127.0.0.1:4196\n')
    expect(await (await ask('GET', '/healthz')).json()).toEqual({ status: 'ok' })
    const refused = (await (await ask('POST', '/api/booklets', {})).json()) as { requestId: string }
    child.kill('SIGTERM')
    expect(await ended).toBe(0)
    const logged = errors()
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as Record<string, unknown>)
    expect(logged.find(({ msg }) => msg === 'refused')).toMatchObject({ code: 'missing-key', status: 400, requestId: refused.requestId })
    expect(JSON.stringify(logged.filter(({ msg }) => msg === 'refused'))).not.toMatch(/remote|address/i)
  })

  it('answers what is under way when it is told to stop', async () => {
    const { child, ended } = await run(4197)
    const text = JSON.stringify({ bundle: BUNDLE })
    const socket = connect(4197, '127.0.0.1')
    await new Promise((resolve) => socket.once('connect', resolve))
    let answer = ''
    socket.on('data', (data) => (answer += data.toString()))
    const closed = new Promise((resolve) => socket.once('close', resolve))
    const head = ['POST /api/booklets HTTP/1.1', 'Host: x', 'Content-Type: application/json', `Content-Length: ${Buffer.byteLength(text)}`]
    socket.write(`${head.join('\r\n')}\r\n\r\n`)
    socket.write(text.slice(0, 1000))
    await wait(200)
    child.kill('SIGTERM')
    await wait(200)
    socket.write(text.slice(1000))
    await closed
    expect(answer).toMatch(/^HTTP\/1.1 201 /)
    expect(await ended).toBe(0)
  })

  it('keeps what it acknowledged when it is killed in the middle, and half of nothing', async () => {
    const store = newFolder()
    const first = await run(4194, { JUMP_RAIL_STORE: store })
    const { id, ownerToken: token } = await first.publish()
    const acknowledged: number[] = []
    let isKilled = false
    const writing = Array.from({ length: 3 }, async (_, writer) => {
      for (let i = 0; !isKilled; i++) {
        const answer = await first.ask('PUT', `/api/booklets/${id}`, { bundle: renamed(`${writer} ${i}`) }, token)
        acknowledged.push(((await answer.json()) as { version: number }).version)
        if (acknowledged.length === 8) {
          isKilled = true
          first.child.kill('SIGKILL')
        }
      }
    })
    await Promise.allSettled(writing)
    const second = await run(4195, { JUMP_RAIL_STORE: store })
    const { versions } = (await (await second.ask('GET', `/api/booklets/${id}`)).json()) as { versions: { version: number }[] }
    expect(versions.map(({ version }) => version)).toEqual(versions.map((_, i) => i + 1))
    expect(versions.length).toBeGreaterThanOrEqual(Math.max(...acknowledged))
    for (const { version } of versions) {
      const answer = await second.ask('GET', `/api/booklets/${id}/versions/${version}`)
      expect([answer.status, ((await answer.json()) as { format: string }).format]).toEqual([200, 'jump-rail-bundle'])
    }
    // A turn that the dead one held ends by itself.
    const next = await second.ask('PUT', `/api/booklets/${id}`, { bundle: renamed('after') }, token)
    expect(next.status).toBe(200)
  }, 60_000)

  it('serves one store together with others, which number versions one after another', async () => {
    const store = newFolder()
    const servers = await Promise.all([run(4192, { JUMP_RAIL_STORE: store }), run(4193, { JUMP_RAIL_STORE: store })])
    const { id, ownerToken: token } = await servers[0].publish()
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) => servers[i % 2]!.ask('PUT', `/api/booklets/${id}`, { bundle: renamed(`n ${i}`) }, token)),
    )
    const numbers = await Promise.all(answers.map(async (answer) => ((await answer.json()) as { version: number }).version))
    expect(numbers.sort((a, b) => a - b)).toEqual([2, 3, 4, 5, 6, 7, 8, 9])
    expect((await servers[1].ask('GET', `/api/booklets/${id}/versions/9`)).status).toBe(200)
  }, 60_000)

  it('serves object storage and shared limits together with others', async () => {
    const s3 = new S3rver({
      port: 4188,
      address: '127.0.0.1',
      silent: true,
      directory: newFolder(),
      configureBuckets: [{ name: 'booklets' }],
    })
    await s3.run()
    const redis = spawn('redis-server', ['--port', '4187', '--save', '', '--dir', newFolder()], { stdio: ['ignore', 'pipe', 'ignore'] })
    children.push(redis)
    await new Promise<void>((resolve) =>
      redis.stdout.on('data', (data: Buffer) => data.toString().includes('Ready to accept') && resolve()),
    )
    const environment = {
      JUMP_RAIL_STORE: 's3://booklets/here',
      JUMP_RAIL_LIMITS: 'redis://127.0.0.1:4187',
      AWS_ENDPOINT_URL: 'http://127.0.0.1:4188',
      AWS_ACCESS_KEY_ID: 'S3RVER',
      AWS_SECRET_ACCESS_KEY: 'S3RVER',
      AWS_REGION: 'eu-central-1',
    }
    const servers = await Promise.all([run(4185, environment), run(4186, environment)])
    expect((await servers[0]!.ask('GET', '/readyz')).status).toBe(200)
    const { id, ownerToken: token } = await servers[0]!.publish()
    const answers = await Promise.all(
      Array.from({ length: 6 }, (_, i) => servers[i % 2]!.ask('PUT', `/api/booklets/${id}`, { bundle: renamed(`n ${i}`) }, token)),
    )
    const told = await Promise.all(answers.map(async (answer) => (await answer.json()) as { version: number; code?: string }))
    expect([
      told.filter(({ code }) => code !== undefined),
      servers.flatMap(({ errors }) =>
        errors()
          .split('\n')
          .filter((line) => line.includes('no-store') || line.includes('"level":50')),
      ),
    ]).toEqual([[], []])
    expect(told.map(({ version }) => version).sort((a, b) => a - b)).toEqual([2, 3, 4, 5, 6, 7])
    // Both count together: 7 are published, 53 are left of the hour.
    const more = await Promise.all(Array.from({ length: 60 }, (_, i) => servers[i % 2]!.ask('POST', '/api/booklets', { bundle: BUNDLE })))
    expect(more.filter(({ status }) => status === 201).length).toBe(53)
    expect(new Set(more.filter(({ status }) => status !== 201).map(({ status }) => status))).toEqual(new Set([429]))
    // Without its store a server says so, and is there still.
    await s3.close()
    expect((await servers[1]!.ask('GET', '/readyz')).status).toBe(503)
    expect((await servers[1]!.ask('GET', '/healthz')).status).toBe(200)
  }, 90_000)
})
