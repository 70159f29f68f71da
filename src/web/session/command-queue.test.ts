import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Fault } from '@core/fault'
import { createCommandQueue, type Answer } from './command-queue'

const DONE: Answer = { kind: 'done' }
const later = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))

describe('a queue of commands', () => {
  it('does one after another, in the order they were given, however long each takes', async () => {
    const queue = createCommandQueue()
    const done: string[] = []
    const act = (name: string, waits: number) => async (): Promise<Answer> => {
      done.push(`${name} begins`)
      for (let i = 0; i < waits; i++) await later()
      done.push(`${name} ends`)
      return DONE
    }
    const answers = await Promise.all([queue.run(act('long', 3)), queue.run(act('short', 0)), queue.run(act('last', 1))])
    expect(answers).toEqual([DONE, DONE, DONE])
    expect(done).toEqual(['long begins', 'long ends', 'short begins', 'short ends', 'last begins', 'last ends'])
  })

  it('answers what throws with why and what to do, and goes on', async () => {
    const queue = createCommandQueue()
    const failed = queue.run(() => Promise.reject(new Fault('no-plan', 'There is no plan.', { wayOut: 'Plan first.' })))
    const next = queue.run(() => Promise.resolve(DONE))
    expect(await failed).toEqual({ kind: 'refused', reason: 'There is no plan. Plan first.' })
    expect(await next).toEqual(DONE)
    expect(await queue.run(() => Promise.reject(new Error('boom')))).toEqual({ kind: 'refused', reason: 'boom' })
  })

  it('counts what is not answered yet', async () => {
    const queue = createCommandQueue()
    const running = [queue.run(() => later().then(() => DONE)), queue.run(() => Promise.reject(new Error('no')))]
    expect(queue.pending.value).toBe(2)
    await Promise.all(running)
    expect(queue.pending.value).toBe(0)
  })

  it('is idle when all that was asked before is answered', async () => {
    const queue = createCommandQueue()
    let isDone = false
    void queue.run(async () => {
      await later()
      isDone = true
      return DONE
    })
    await queue.idle()
    expect(isDone).toBe(true)
  })

  it('that is closed lets what is under way end, and answers what waits as overtaken', async () => {
    const queue = createCommandQueue()
    const asked: string[] = []
    const act = (name: string) => async (): Promise<Answer> => {
      asked.push(name)
      await later()
      return DONE
    }
    const running = queue.run(act('running'))
    const waiting = queue.run(act('waiting'))
    await Promise.resolve()
    queue.close()
    expect((await running).kind).toBe('done')
    expect((await waiting).kind).toBe('overtaken')
    expect((await queue.run(act('after'))).kind).toBe('overtaken')
    expect(asked).toEqual(['running'])
    expect(queue.pending.value).toBe(0)
  })

  it('that is closed under a command answers it as overtaken, where it was told so', async () => {
    const queue = createCommandQueue()
    const answer = queue.run(async () => {
      await later()
      throw new Fault('closed', 'The model was closed.')
    })
    queue.close()
    expect((await answer).kind).toBe('overtaken')
  })

  it('answers every command, whatever comes in whatever order', async () => {
    const acts = fc.array(fc.constantFrom('done', 'throws', 'slow', 'close'), { maxLength: 20 })
    await fc.assert(
      fc.asyncProperty(acts, async (all) => {
        const queue = createCommandQueue()
        const answers = all.flatMap((kind) => {
          if (kind === 'close') {
            queue.close()
            return []
          }
          const act = async (): Promise<Answer> => {
            if (kind === 'slow') await later()
            if (kind === 'throws') throw new Error('no')
            return DONE
          }
          return [queue.run(act)]
        })
        const kinds = (await Promise.all(answers)).map(({ kind }) => kind)
        expect(kinds.every((kind) => ['done', 'refused', 'overtaken'].includes(kind))).toBe(true)
        expect(queue.pending.value).toBe(0)
        if (!all.includes('close')) expect(kinds).toEqual(all.map((kind) => (kind === 'throws' ? 'refused' : 'done')))
      }),
      { numRuns: 60 },
    )
  })
})
