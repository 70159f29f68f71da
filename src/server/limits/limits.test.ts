import { spawn, type ChildProcess } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newFolder } from '../support/start'
import { addressKey, Limits, MemoryCounter, openCounter, TooOften, type Counter } from './index'

const LIMITS = {
  publish: { most: 2, windowMs: 1000, what: 'booklets were published' },
  questions: { most: 2, windowMs: 1000, what: 'questions were asked' },
  passwords: { most: 2, windowMs: 1000, what: 'wrong passwords were tried' },
  practice: { most: 2, windowMs: 1000, what: 'prices were asked for' },
}
const once = (limits: Limits, who: string, counts = true) =>
  limits.within('publish', who, () => Promise.resolve({ result: 'done', counts }))

describe('addresses', () => {
  it.each([
    ['10.0.0.1', '10.0.0.1'],
    ['::ffff:10.0.0.1', '10.0.0.1'],
    ['2001:db8:1:2:3:4:5:6', '2001:db8:1:2::/64'],
    ['2001:DB8:1:2::9', '2001:db8:1:2::/64'],
    ['2001:db8::9', '2001:db8:0:0::/64'],
    ['::1', '0:0:0:0::/64'],
  ])('%s counts as %s', (ip, key) => expect(addressKey(ip)).toBe(key))
})

describe('limits', () => {
  it('let so many through in a while, address by address, and say when it may be tried again', async () => {
    let now = 0
    const limits = new Limits(new MemoryCounter(() => now), LIMITS)
    await once(limits, 'a')
    now = 300
    await once(limits, 'a')
    const refused = await once(limits, 'a').catch((thrown: unknown) => thrown)
    expect(refused).toBeInstanceOf(TooOften)
    expect((refused as TooOften).retryAfter).toBe(1)
    expect(await once(limits, 'b')).toBe('done')
    now = 1000
    expect(await once(limits, 'a')).toBe('done')
  })

  it('count nothing that came to nothing', async () => {
    const limits = new Limits(new MemoryCounter(), LIMITS)
    for (let i = 0; i < 5; i++) await once(limits, 'a', false)
    for (let i = 0; i < 5; i++) await limits.within('publish', 'a', () => Promise.reject(new Error('refused'))).catch(() => undefined)
    expect(await once(limits, 'a')).toBe('done')
  })
})

describe('limits that servers share', () => {
  const PORT = 4191
  let redis: ChildProcess
  const start = async (): Promise<void> => {
    redis = spawn('redis-server', ['--port', String(PORT), '--save', '', '--dir', newFolder()], { stdio: ['ignore', 'pipe', 'ignore'] })
    await new Promise<void>((resolve) =>
      redis.stdout!.on('data', (data: Buffer) => data.toString().includes('Ready to accept') && resolve()),
    )
  }
  beforeAll(start)
  afterAll(() => void redis.kill())
  const open: Counter[] = []
  afterAll(() => Promise.all(open.map((each) => each.close())))
  const shared = async (windowMs = 1000): Promise<Limits> => {
    const counter = await openCounter(`redis://127.0.0.1:${PORT}`, () => undefined)
    open.push(counter)
    return new Limits(counter, { ...LIMITS, publish: { ...LIMITS.publish, windowMs } })
  }

  it('are counted together, outlive a server, and end after their while', async () => {
    const [one, two] = [await shared(), await shared()]
    await once(one, 'x')
    await once(two, 'x', false)
    await once(two, 'x')
    await expect(once(one, 'x')).rejects.toBeInstanceOf(TooOften)
    await expect(once(await shared(), 'x')).rejects.toBeInstanceOf(TooOften)
    await wait(1050)
    expect(await once(two, 'x')).toBe('done')
  })

  it('go on, server by server, while the shared store is away', async () => {
    const limits = await shared(60_000)
    await once(limits, 'y')
    redis.kill()
    await new Promise((resolve) => redis.once('exit', resolve))
    await once(limits, 'y')
    await once(limits, 'y')
    await expect(once(limits, 'y')).rejects.toBeInstanceOf(TooOften)
  })
})
