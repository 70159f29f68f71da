import { afterEach, describe, expect, it } from 'vitest'
import { RequestTable } from './request-table'
import { FakeWorker } from './support/fake-worker'

const never = new Promise<never>(() => undefined)
const api = {
  ready: () => Promise.resolve(false),
  twice: (n: number) => 2 * n,
  wait: () => never,
  fail: () => {
    throw new Error('no')
  },
}
type Api = typeof api
const lost: string[] = []
const table = (known: object | undefined = api): RequestTable<Api> =>
  new RequestTable<Api>(
    'test',
    () => new FakeWorker(known),
    (reason) => lost.push(reason.code),
  )
const last = (): FakeWorker => FakeWorker.all[FakeWorker.all.length - 1]!
afterEach(() => {
  lost.length = 0
})

describe('a table of requests', () => {
  it('answers, and hands on what the call throws', async () => {
    const requests = table()
    expect(await requests.ask((remote) => remote.twice(21))).toBe(42)
    await expect(requests.ask((remote) => remote.fail())).rejects.toThrow('no')
    expect(await requests.ask((remote) => remote.twice(4))).toBe(8)
    requests.close()
  })

  it('refuses all that waits when it is stopped, and starts afresh with the next question', async () => {
    const requests = table()
    const waiting = [requests.ask((remote) => remote.wait()), requests.ask((remote) => remote.wait())]
    const first = last()
    requests.stop()
    for (const each of waiting) await expect(each).rejects.toMatchObject({ code: 'stopped' })
    expect([first.isEnded, requests.isRunning]).toEqual([true, false])
    expect(await requests.ask((remote) => remote.twice(2))).toBe(4)
    expect(last()).not.toBe(first)
    requests.close()
  })

  it('refuses all that waits when the worker dies or was never loaded', async () => {
    for (const known of [api, undefined]) {
      const requests = table(known)
      const waiting = requests.ask((remote) => remote.wait())
      last().fail()
      await expect(waiting).rejects.toMatchObject({ code: 'worker-died', wayOut: expect.stringContaining('again') as unknown })
      requests.close()
    }
    expect(lost).toEqual(['worker-died', 'worker-died'])
  })

  it('hears nothing more of a worker that was stopped', async () => {
    const requests = table()
    requests.ask((remote) => remote.wait()).catch(() => undefined)
    const first = last()
    requests.stop()
    const waiting = requests.ask((remote) => remote.twice(3))
    first.fail()
    expect(await waiting).toBe(6)
    requests.close()
  })

  it('refuses what waits and what comes after it is closed', async () => {
    const requests = table()
    const waiting = requests.ask((remote) => remote.wait())
    requests.close()
    await expect(waiting).rejects.toMatchObject({ code: 'closed' })
    await expect(requests.ask((remote) => remote.twice(1))).rejects.toMatchObject({ code: 'closed' })
  })
})
