import { describe, expect, it } from 'vitest'
import type { BookletSource } from '@core/booklet'
import type { PictureSize } from '@core/picture'
import type { PaintWishes } from '../../workers/painter.worker'
import { PainterClient, type DrawnBytes } from './painter-client'
import { FakeWorker } from './support/fake-worker'

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text)
const textOf = (bytes: Uint8Array): string => new TextDecoder().decode(bytes)
const whole = (text: string) => (): DrawnBytes => ({ model: bytesOf(text), printed: bytesOf(`${text} printed`) })
const REF = { section: 'main', step: 0, view: 0 }

/** Each worker knows only what it was told itself. */
function scene() {
  const log: string[] = []
  const workers: FakeWorker[] = []
  const client = new PainterClient(() => {
    const number = workers.length + 1
    let shown: { version: number; text: string } | undefined
    const worker = new FakeWorker({
      ready: () => Promise.resolve(false),
      open(source: BookletSource) {
        log.push(`${number}: open ${source.model.name}`)
      },
      openBytes(version: number, model: Uint8Array, printed: Uint8Array) {
        log.push(`${number}: whole ${version} ${textOf(printed)}`)
        shown = { version, text: textOf(model) }
      },
      change(base: number, version: number, change: { set: string } | undefined) {
        if (shown?.version !== base) return false
        log.push(`${number}: change ${base} to ${version}`)
        shown = { version, text: change?.set ?? shown.text }
        return true
      },
      picture(_ref: unknown, _content: 'finished' | 'step', { width, height }: PictureSize, { spare, mayBeCoarse }: PaintWishes) {
        if (!shown) throw new Error('nothing to paint has been opened')
        log.push(`${number}: ${mayBeCoarse ? 'coarse ' : ''}picture of ${shown.text}${spare ? `, into ${spare.byteLength}` : ''}`)
        const data = new Uint8ClampedArray(spare ?? new ArrayBuffer(width * height * 4))
        return { width, height, data, isCoarse: mayBeCoarse === true }
      },
      piece(piece: { shape: string }, width: number, height: number) {
        log.push(`${number}: piece ${piece.shape}`)
        return { width, height, data: new Uint8ClampedArray(4) }
      },
      trayLooks(pieces: readonly unknown[]) {
        log.push(`${number}: looks of ${pieces.length}`)
        return pieces.map(() => ({ view: 0, scale: 1, isSmaller: false }))
      },
    })
    workers.push(worker)
    return worker
  })
  const change = (base: number, version: number, text: string, hasPieces = true) =>
    client.change({ base, version, change: { set: text }, printed: undefined, hasPieces, whole: whole(text) })
  return { client, workers, log, change }
}

describe('a painter', () => {
  it('is told whole once, then what has changed', async () => {
    const { client, log, change } = scene()
    await client.openBytes(1, whole('one'))
    await change(1, 2, 'two')
    await client.picture(REF, 'step', { width: 2, height: 2 })
    expect(log).toEqual(['1: whole 1 one printed', '1: change 1 to 2', '1: picture of two'])
    client.close()
  })

  it('that does not know the version before is told whole', async () => {
    const { client, log, change } = scene()
    await client.openBytes(1, whole('one'))
    await change(7, 8, 'eight')
    await client.picture(REF, 'step', { width: 2, height: 2 })
    expect(log).toEqual(['1: whole 1 one printed', '1: whole 8 eight printed', '1: picture of eight'])
    client.close()
  })

  it('that has died is started again with the next picture, and told what it knew', async () => {
    const { client, workers, log, change } = scene()
    await client.openBytes(1, whole('one'))
    await change(1, 2, 'two')
    workers[0]!.fail()
    await client.picture(REF, 'step', { width: 2, height: 2 })
    expect(log.slice(2)).toEqual(['2: whole 2 two printed', '2: picture of two'])
    // Also where a change comes first.
    workers[1]!.fail()
    await change(2, 3, 'three')
    await client.picture(REF, 'step', { width: 2, height: 2 })
    expect(log.slice(4)).toEqual(['3: whole 3 three printed', '3: picture of three'])
    client.close()
  })

  it('paints into the memory of the picture before, and that is given away', async () => {
    const { client, log } = scene()
    await client.openBytes(1, whole('one'))
    const first = await client.picture(REF, 'step', { width: 2, height: 2 })
    const spare = first.data.buffer
    await client.picture(REF, 'step', { width: 2, height: 2 }, { spare })
    expect(log.slice(1)).toEqual(['1: picture of one', '1: picture of one, into 16'])
    expect(spare.byteLength).toBe(0)
    // What was given away is not given again.
    await client.picture(REF, 'step', { width: 2, height: 2 }, { spare })
    expect(log[3]).toBe('1: picture of one')
    client.close()
  })

  it('paints with rough edges only for whoever will do with that, and never ahead', async () => {
    const { client, log } = scene()
    const size = { width: 2, height: 2 }
    await client.openBytes(1, whole('one'))
    const rough = await client.picture(REF, 'step', size, { spare: new ArrayBuffer(16), mayBeCoarse: true })
    expect(rough.isCoarse).toBe(true)
    client.prepare([{ picture: REF, content: 'step' }], size)
    await new Promise((resolve) => setTimeout(resolve, 100))
    // One that was painted ahead is sharp, whatever would do.
    const sharp = await client.picture(REF, 'step', size, { mayBeCoarse: true })
    expect(sharp.isCoarse).toBe(false)
    expect(log.slice(1)).toEqual(['1: coarse picture of one, into 16', '1: picture of one'])
    client.close()
  })

  it('keeps pieces and trays until pieces look another way', async () => {
    const { client, log, change } = scene()
    await client.openBytes(1, whole('one'))
    const look = async (): Promise<void> => {
      await client.trayLooks([{ shape: 'a', colour: 'sand' }], { width: 8, height: 8 })
      await client.piece({ shape: 'a', colour: 'sand' }, { width: 8, height: 8 })
    }
    await look()
    await look()
    await change(1, 2, 'two')
    await look()
    expect(log.filter((line) => !/whole|change/.test(line))).toEqual(['1: looks of 1', '1: piece a'])
    await change(2, 3, 'three', false)
    await look()
    expect(log.slice(-2)).toEqual(['1: looks of 1', '1: piece a'])
    client.close()
  })

  it('never keeps what is being turned', async () => {
    const { client, log } = scene()
    await client.openBytes(1, whole('one'))
    const free = { free: { around: 1, up: 0 } } as never
    await client.piece({ shape: 'a', colour: 'sand' }, { width: 8, height: 8 }, free)
    await client.piece({ shape: 'a', colour: 'sand' }, { width: 8, height: 8 }, free)
    expect(log.slice(1)).toEqual(['1: piece a', '1: piece a'])
    client.close()
  })

  it('paints ahead what will be asked for, into memory that is free, and never where it has died', async () => {
    const { client, workers, log, change } = scene()
    const size = { width: 2, height: 2 }
    const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 100))
    const next = [{ picture: { ...REF, step: 1 }, content: 'step' }] as const
    await client.openBytes(1, whole('one'))
    const first = await client.picture(REF, 'step', size)
    client.prepare(next, size)
    await pause()
    expect(log.slice(1)).toEqual(['1: picture of one', '1: picture of one'])
    // It is there: the painter is not asked, and what was shown is painted into next.
    await client.picture({ ...REF, step: 1 }, 'step', size, { spare: first.data.buffer })
    client.prepare([{ picture: { ...REF, step: 2 }, content: 'step' }], size)
    await pause()
    expect(log.slice(3)).toEqual(['1: picture of one, into 16'])
    await change(1, 2, 'two')
    await client.picture({ ...REF, step: 2 }, 'step', size)
    expect(log.slice(4)).toEqual(['1: change 1 to 2', '1: picture of two'])
    workers[0]!.fail()
    client.prepare(next, size)
    await pause()
    expect(workers).toHaveLength(1)
    client.close()
  })

  it('opens a booklet once however often it is asked, and again once it has died', async () => {
    const { client, log, workers } = scene()
    const source = { model: { name: 'Mill' } } as BookletSource
    client.begin()
    await Promise.all([client.open(source), client.open(source)])
    expect(log).toEqual(['1: open Mill'])
    workers[0]!.fail()
    await client.open(source)
    expect(log).toEqual(['1: open Mill', '2: open Mill'])
    await client.open({ ...source })
    expect(log).toHaveLength(3)
  })

  it('that is closed refuses', async () => {
    const { client } = scene()
    await client.openBytes(1, whole('one'))
    client.close()
    await expect(client.picture(REF, 'step', { width: 2, height: 2 })).rejects.toMatchObject({ code: 'closed' })
  })
})
