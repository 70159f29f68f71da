import { setTimeout as wait } from 'node:timers/promises'
import S3rver from 's3rver'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { newFolder } from '../support/start'
import { FolderStore, openStore, Turns, type ObjectStore } from './index'

const PORT = 4190
let s3: S3rver
beforeAll(async () => {
  Object.assign(process.env, {
    AWS_ENDPOINT_URL: `http://127.0.0.1:${PORT}`,
    AWS_ACCESS_KEY_ID: 'S3RVER',
    AWS_SECRET_ACCESS_KEY: 'S3RVER',
    AWS_SDK_JS_NODE_VERSION_SUPPORT_WARNING_DISABLED: 'true',
  })
  s3 = new S3rver({ port: PORT, address: '127.0.0.1', silent: true, directory: newFolder(), configureBuckets: [{ name: 'booklets' }] })
  await s3.run()
})
afterAll(() => s3.close())

const STORES: [name: string, open: () => Promise<ObjectStore>][] = [
  ['a folder', () => Promise.resolve(new FolderStore(newFolder()))],
  ['object storage', () => openStore(`s3://booklets/test/${Math.random()}`)],
]

describe.each(STORES)('%s', (_name, open) => {
  it('gives back what was put, in place of what was there, until it is deleted', async () => {
    const store = await open()
    await store.prepare()
    expect(await store.get('a/b/c.json')).toBeUndefined()
    await store.put('a/b/c.json', 'one')
    await store.put('a/b/c.json', Buffer.from([0, 255, 7]))
    expect(await store.get('a/b/c.json')).toEqual(Buffer.from([0, 255, 7]))
    await store.delete('a/b/c.json')
    await store.delete('a/b/c.json')
    expect(await store.get('a/b/c.json')).toBeUndefined()
    await store.probe()
    await store.close()
  })

  it('lists what is in a place, not what lies deeper', async () => {
    const store = await open()
    await store.prepare()
    expect(await store.list('q/')).toEqual([])
    for (const key of ['q/2.json', 'q/1.json', 'q/deep/3.json', 'qq/4.json']) await store.put(key, '')
    expect(await store.list('q/')).toEqual(['q/1.json', 'q/2.json'])
    await store.close()
  })

  it('lets servers that share it take turns, so that none writes over another', async () => {
    const store = await open()
    await store.prepare()
    await store.put('n/count', '0')
    const servers = [new Turns(store), new Turns(store), new Turns(store)]
    const add = (turns: Turns) =>
      turns.take('n', async (assertTurn) => {
        const before = Number((await store.get('n/count'))!.toString())
        await wait(2)
        assertTurn()
        await store.put('n/count', String(before + 1))
      })
    await Promise.all(Array.from({ length: 12 }, (_, i) => add(servers[i % 3]!)))
    expect((await store.get('n/count'))!.toString()).toBe('12')
    for (const claim of await store.list('n/turn/')) expect((await store.get(claim))!.toString()).toMatch(/^free /)
    await store.close()
  }, 60_000)

  it('is not blocked by a server that died in its turn', async () => {
    const store = await open()
    await store.prepare()
    await store.put('n/turn/dead', `wanted ${Date.now()}`)
    const turns = new Turns(store, { lease: 300, patience: 5000 })
    const start = Date.now()
    expect(await turns.take('n', () => Promise.resolve('mine'))).toBe('mine')
    expect(Date.now() - start).toBeGreaterThan(200)
    const impatient = new Turns(store, { lease: 60_000, patience: 100 })
    await store.put('n/turn/dead', `wanted ${Date.now()}`)
    await expect(impatient.take('n', () => Promise.resolve('mine'))).rejects.toMatchObject({ code: 'booklet-busy' })
    await store.close()
  })

  it('writes nothing in a turn that took too long', async () => {
    const store = await open()
    await store.prepare()
    const turns = new Turns(store, { lease: 50, patience: 1000 })
    const late = turns.take('n', async (assertTurn) => {
      await wait(60)
      assertTurn()
      await store.put('n/late', '')
    })
    await expect(late).rejects.toMatchObject({ code: 'booklet-busy' })
    expect(await store.get('n/late')).toBeUndefined()
    await store.close()
  })
})

it('a store that is none is refused', async () => {
  await expect(openStore('ftp://x')).rejects.toMatchObject({ code: 'bad-value', place: 'JUMP_RAIL_STORE' })
  await expect(openStore('s3://')).rejects.toMatchObject({ code: 'bad-value' })
})
