import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import type * as Promises from 'node:fs/promises'
import type { FileHandle } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { buildServer } from './app'
import { BundleShelf } from './bundles'

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

const folder = (): string => mkdtempSync(join(tmpdir(), 'jump-rail-'))
afterEach(() => {
  disk.trouble = 'none'
})

describe('the shelf of booklets', () => {
  it.each(['full', 'sync', 'rename'] as const)(
    'on a disk that fails (%s) keeps nothing half, and keeps it once the disk is well',
    async (trouble) => {
      const data = folder()
      const shelf = new BundleShelf(data)
      await shelf.prepare()
      const before = await shelf.put('the one that was there')
      disk.trouble = trouble
      await expect(shelf.put('the next')).rejects.toThrow()
      expect(readdirSync(data)).toEqual([`${before.id}.json`])
      expect((await shelf.get(before.id)).toString()).toBe('the one that was there')
      disk.trouble = 'none'
      const { id, isNew } = await shelf.put('the next')
      expect(isNew).toBe(true)
      expect((await shelf.get(id)).toString()).toBe('the next')
    },
  )

  it('does not mend a damaged booklet where the disk is full, and leaves what is there', async () => {
    const data = folder()
    const shelf = new BundleShelf(data)
    await shelf.prepare()
    const { id } = await shelf.put('whole')
    writeFileSync(join(data, `${id}.json`), 'wh')
    disk.trouble = 'full'
    await expect(shelf.put('whole')).rejects.toThrow('ENOSPC')
    expect(readFileSync(join(data, `${id}.json`), 'utf8')).toBe('wh')
    disk.trouble = 'none'
    await shelf.put('whole')
    expect((await shelf.get(id)).toString()).toBe('whole')
  })

  it('is not ready while the disk is full, says so, and is ready again after', async () => {
    const data = folder()
    const server = await buildServer({ data: join(data, 'bundles'), app: join(data, 'none'), followPage: join(data, 'none.html') })
    disk.trouble = 'full'
    const answer = await server.inject('/readyz')
    expect([answer.statusCode, answer.json<{ code: string }>().code]).toEqual([503, 'no-store'])
    expect((await server.inject('/healthz')).statusCode).toBe(200)
    disk.trouble = 'none'
    expect((await server.inject('/readyz')).statusCode).toBe(200)
    expect(readdirSync(join(data, 'bundles'))).toEqual([])
    await server.close()
  })
})
