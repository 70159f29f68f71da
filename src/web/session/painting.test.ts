import { describe, expect, it } from 'vitest'
import { nextTick, shallowRef } from 'vue'
import { applyChange } from '@core/change'
import { Fault } from '@core/fault'
import { oneSection, part } from '../../../tests/support/models'
import { fromBytes, toBytes, USUAL_SETTINGS, type Drawn, type ModelState } from '../../workers/plan-messages'
import { nextTask } from '../shared/next-task'
import type { DrawnBytes, DrawnChange, PainterClient } from '../workers/painter-client'
import { createPainting } from './painting'
import { makeSnapshot, type Snapshot } from './snapshot'
import { plainPlan } from './support/fake-planner'

const model = oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 12])])
const stateOf = (notes: string): ModelState => ({ model: { ...model, notes }, settings: USUAL_SETTINGS, order: {} })
function snapshotOf(version: number, notes: string, asBytes = false): Snapshot {
  const state = stateOf(notes)
  const printed = plainPlan(state)
  return makeSnapshot(version, state, printed, asBytes ? toBytes(printed) : undefined)
}

/** Knows what a painter would know after all it was told. */
class FakePainter {
  knows: Drawn | undefined
  version = 0
  told: string[] = []
  hasPieces: boolean[] = []
  isClosed = false
  trouble: Fault | undefined

  openBytes = (version: number, bytes: () => DrawnBytes): Promise<void> => {
    const { model: own, printed } = bytes()
    return this.take('whole', version, { model: fromBytes(own), printed: fromBytes(printed) })
  }
  change = ({ base, version, change, printed, hasPieces }: DrawnChange): Promise<void> => {
    expect(base).toBe(this.version)
    const after = (change ? applyChange(this.knows!, JSON.parse(JSON.stringify(change)) as typeof change) : this.knows!) as Drawn
    this.hasPieces.push(hasPieces)
    return this.take(printed ? 'bytes' : 'change', version, printed ? { ...after, printed: fromBytes(printed) } : after)
  }
  close = (): void => {
    this.isClosed = true
  }

  private take(how: string, version: number, next: Drawn): Promise<void> {
    this.told.push(how)
    if (this.trouble) return Promise.reject(this.trouble)
    ;[this.version, this.knows] = [version, next]
    return Promise.resolve()
  }
}

function scene(first: Snapshot | null = null) {
  const snapshot = shallowRef<Snapshot | null>(first)
  const painter = new FakePainter()
  let made = 0
  const painting = createPainting(snapshot, () => {
    made++
    return painter as unknown as PainterClient
  })
  const show = async (next: Snapshot | null): Promise<void> => {
    snapshot.value = next
    await nextTick()
    await nextTask()
    await nextTask()
  }
  const expectKnown = (next: Snapshot): void => {
    expect(painter.knows).toEqual({ model: next.model, printed: next.printed })
    expect(painting.source.value!.version).toBe(painter.version)
    expect(painting.source.value!.catalogue).toBe(next.catalogue)
  }
  return { snapshot, painter, painting, show, expectKnown, made: () => made }
}

describe('painting', () => {
  it('makes no painter before there is something to paint', async () => {
    const { painting, show, made } = scene()
    await show(null)
    expect([made(), painting.source.value]).toEqual([0, null])
  })

  it('tells the first snapshot whole, and of later ones what has changed', async () => {
    const { painter, show, expectKnown, made } = scene()
    const all = [snapshotOf(1, 'one'), snapshotOf(2, 'two'), snapshotOf(3, '')]
    for (const next of all) {
      await show(next)
      expectKnown(next)
    }
    expect(painter.told).toEqual(['whole', 'change', 'change'])
    expect(made()).toBe(1)
  })

  it('hands on a report that came as bytes as bytes', async () => {
    const { painter, show, expectKnown } = scene()
    await show(snapshotOf(1, 'draft'))
    const planned = snapshotOf(2, 'break', true)
    await show(planned)
    expectKnown(planned)
    const edited = snapshotOf(3, 'after')
    await show(edited)
    expectKnown(edited)
    expect(painter.told).toEqual(['whole', 'bytes', 'change'])
  })

  it('leaves out what is overtaken before it is told', async () => {
    const { painter, snapshot, show, expectKnown } = scene(snapshotOf(1, 'first'))
    snapshot.value = snapshotOf(2, 'second', true)
    await nextTick()
    const last = snapshotOf(3, 'last')
    await show(last)
    expectKnown(last)
    expect(painter.told).toEqual(['whole'])
  })

  it('says whether pieces look as before', async () => {
    const { painter, show } = scene()
    await show(snapshotOf(1, ''))
    await show(snapshotOf(2, 'a note changes no piece'))
    const decal = { id: 'd', name: 'Sign', picture: '' }
    const withDecal = { ...stateOf(''), model: { ...model, notes: '', decals: [decal] as never } }
    await show(makeSnapshot(3, withDecal, plainPlan(withDecal)))
    expect(painter.hasPieces).toEqual([true, false])
  })

  it('says why there are no pictures, until there are', async () => {
    const { painter, painting, show } = scene()
    painter.trouble = new Fault('worker-died', 'The painter has ended.', { wayOut: 'Try again.' })
    await show(snapshotOf(1, ''))
    expect(painting.problem.value).toBe('The painter has ended. Try again.')
    painter.trouble = undefined
    painter.knows = { model: snapshotOf(1, '').model, printed: snapshotOf(1, '').printed }
    painter.version = 1
    await show(snapshotOf(2, 'again'))
    expect(painting.problem.value).toBe('')
  })

  it('that is closed tells nothing more', async () => {
    const { painter, painting, show } = scene()
    await show(snapshotOf(1, 'one'))
    painting.close()
    await show(snapshotOf(2, 'two'))
    expect([painter.isClosed, painter.told]).toEqual([true, ['whole']])
  })
})
