import { readdirSync } from 'node:fs'
import type * as Promises from 'node:fs/promises'
import type { FileHandle } from 'node:fs/promises'
import { join } from 'node:path'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { BUNDLE, newFolder, refusal, renamed, startServer, stopAll } from '../support/start'
import { FolderStore } from './folder-store'

/** What the disk does: nothing wrong, runs full in the middle of a file, or fails when it is asked to bring it to the disk. */
const disk = vi.hoisted((): { trouble: 'none' | 'full' | 'sync' | 'rename' } => ({ trouble: 'none' }))

vi.mock('node:fs/promises', async (original) => {
  const real = await original<typeof Promises>()
  const failure = (code: string): Error => Object.assign(new Error(`${code}: the disk`), { code })
  const failing = (file: FileHandle): FileHandle =>
    new Proxy(file, {
      get(target, key) {
        const value: unknown = Reflect.get(target, key, target)
        if (typeof value !== 'function') return value
        if (key === 'writeFile' && disk.trouble === 'full') {
          return async (text: string) => {
            await target.writeFile(text.slice(0, text.length / 2))
            throw failure('ENOSPC')
          }
        }
        if (key === 'sync' && disk.trouble === 'sync') return () => Promise.reject(failure('EIO'))
        return (value as (...args: unknown[]) => unknown).bind(target)
      },
    })
  return {
    ...real,
    open: async (...args: Parameters<typeof real.open>) => failing(await real.open(...args)),
    rename: (...args: Parameters<typeof real.rename>) =>
      disk.trouble === 'rename' ? Promise.reject(failure('EDQUOT')) : real.rename(...args),
  }
})

afterEach(async () => {
  disk.trouble = 'none'
  await stopAll()
})

describe('a folder as store', () => {
  it.each(['full', 'sync', 'rename'] as const)(
    'on a disk that fails (%s) keeps nothing half, and keeps it once the disk is well',
    async (trouble) => {
      const data = newFolder()
      const store = new FolderStore(data)
      await store.prepare()
      await store.put('a/one', 'the one that was there')
      disk.trouble = trouble
      await expect(store.put('a/one', 'instead')).rejects.toThrow()
      await expect(store.put('a/next', 'the next')).rejects.toThrow()
      expect([readdirSync(join(data, 'a')), readdirSync(join(data, 'aside'))]).toEqual([['one'], []])
      expect((await store.get('a/one'))!.toString()).toBe('the one that was there')
      disk.trouble = 'none'
      await store.put('a/next', 'the next')
      expect((await store.get('a/next'))!.toString()).toBe('the next')
    },
  )
})

describe('a server whose disk runs full', () => {
  it('says so, keeps nothing half, goes on reading, and is well again after', async () => {
    const { ask, publish, data } = await startServer()
    const { id, ownerToken: token } = await publish()
    const before = readdirSync(data, { recursive: true }).sort()
    disk.trouble = 'full'
    const writing = [
      await ask('POST', '/api/booklets', { body: { bundle: BUNDLE } }),
      await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: renamed('Next') } }),
      await ask('PATCH', `/api/booklets/${id}`, { token, body: { terms: 'x' } }),
      await ask('DELETE', `/api/booklets/${id}`, { token }),
      await ask('POST', `/api/booklets/${id}/questions`, { body: { kind: 'question', text: 'x' } }),
      await ask('GET', '/readyz'),
    ]
    for (const answer of writing) expect(refusal(answer)).toEqual([503, 'no-store'])
    expect(
      readdirSync(data, { recursive: true })
        .filter((name) => !String(name).includes('turn'))
        .sort(),
    ).toEqual(before)
    for (const url of [`/api/booklets/${id}`, `/api/booklets/${id}/versions/1`, `/api/booklets/${id}/questions`, `/f/${id}`, '/healthz'])
      expect((await ask('GET', url)).statusCode).toBe(200)
    disk.trouble = 'none'
    expect((await ask('PUT', `/api/booklets/${id}`, { token, body: { bundle: renamed('Next') } })).json()).toMatchObject({ version: 2 })
    expect((await ask('GET', '/readyz')).statusCode).toBe(200)
  })
})
