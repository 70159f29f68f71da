import { describe, expect, it } from 'vitest'
import { Fault } from '@core/fault'
import type { StoredModel } from '../storage/database'
import type { Saved } from '../storage/library'
import { createSaving, type SaveTask } from './saving'

const later = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
const task = (name: string): SaveTask => ({
  kind: 'append',
  name,
  change: { label: name, forward: '', back: '' },
  replaces: false,
  after: () => new Uint8Array(),
})

/** A store that writes down names, and fails as it is told. */
function scene(failures: unknown[] = []) {
  const written: string[] = []
  const saved: string[] = []
  let conflicts = 0
  let revision = 0
  const write = async (at: number, name: string): Promise<Saved> => {
    await later()
    const failure = failures.shift()
    if (failure !== undefined) throw failure as Error
    if (at !== revision) throw new Fault('changed-elsewhere', 'Another tab was quicker.')
    revision++
    written.push(name)
    return { stored: { revision } as StoredModel, dropped: 0 }
  }
  const saving = createSaving({
    id: 'm',
    library: {
      append: (_id, at, _change, { name }) => write(at, name),
      moveTo: (_id, at, name, cursor) => write(at, `${name} to ${cursor}`),
    },
    onSaved: ({ name }) => saved.push(name),
    onConflict: () => conflicts++,
  })
  const elsewhere = (): void => void revision++
  return { saving, written, saved, elsewhere, conflicts: () => conflicts }
}

describe('saving', () => {
  it('writes one after another, in order, and says when all is written', async () => {
    const { saving, written, saved } = scene()
    saving.save(task('one'))
    saving.save(task('two'))
    saving.save({ kind: 'move', name: 'back', cursor: 1 })
    expect(saving.state.value).toBe('saving')
    await saving.idle()
    expect(written).toEqual(['one', 'two', 'back to 1'])
    expect(saved).toEqual(['one', 'two', 'back'])
    expect([saving.state.value, saving.revision.value]).toEqual(['saved', 3])
  })

  it('keeps what could not be written, and all that follows, until it is tried again', async () => {
    const { saving, written } = scene([new DOMException('The disk is full.', 'QuotaExceededError')])
    saving.save(task('one'))
    await saving.idle()
    expect([saving.state.value, saving.message.value]).toEqual(['failed', 'The disk is full.'])
    saving.save(task('two'))
    await later()
    expect([saving.state.value, written]).toEqual(['failed', []])
    await saving.retry()
    expect([saving.state.value, saving.message.value, written]).toEqual(['saved', '', ['one', 'two']])
  })

  it('fails again where it is tried again too soon, and loses nothing', async () => {
    const full = (): DOMException => new DOMException('The disk is full.', 'QuotaExceededError')
    const { saving, written } = scene([full(), full()])
    saving.save(task('one'))
    await saving.idle()
    await saving.retry()
    expect([saving.state.value, written]).toEqual(['failed', []])
    await saving.retry()
    expect([saving.state.value, written]).toEqual(['saved', ['one']])
  })

  it('has nothing to try again where nothing waits', async () => {
    const { saving, written } = scene()
    await saving.retry()
    expect([saving.state.value, written]).toEqual(['saved', []])
  })

  it('gives up what waits where another tab was quicker, and says so once', async () => {
    const { saving, written, elsewhere, conflicts } = scene()
    saving.save(task('one'))
    await saving.idle()
    elsewhere()
    saving.save(task('two'))
    saving.save(task('three'))
    await saving.idle()
    expect([written, conflicts(), saving.state.value]).toEqual([['one'], 1, 'saved'])
    saving.begin(2)
    saving.save(task('again'))
    await saving.idle()
    expect([written, conflicts()]).toEqual([['one', 'again'], 1])
  })

  it('takes up what comes while it writes', async () => {
    const { saving, written } = scene()
    saving.save(task('one'))
    await Promise.resolve()
    saving.save(task('two'))
    await saving.idle()
    expect(written).toEqual(['one', 'two'])
  })
})
