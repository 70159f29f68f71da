import { ref } from 'vue'
import { addNodes, placeNodes } from '@core/edits'
import type { ModelDocument } from '@core/model'
import { handBox, heldParts, putDown } from '@core/placing'
import { add, DIRECTION_VECTORS, scale, subtract, type Direction, type Vec } from '@core/space'
import { say } from '../language'
import { useOpenModel } from '../stores/open-model'
import { NOBODY, type HandState, type InHand } from './hand-state'
import type { BenchSection, PendingPut } from './use-section'

/** Puts down what is in the hand, as commands of the session. */
export function createPutting(on: BenchSection, { held, stride, lastPut }: HandState, onPut: (ids: readonly string[]) => void) {
  const open = useOpenModel()
  const isBusy = ref(0)

  const waiting: Put[] = []
  let isFlushing = false

  /** Puts down what is held, once at each place; it is shown at once. */
  async function putAt(ats: readonly Vec[]): Promise<void> {
    const now = held.value
    if (!now || ats.length === 0) return
    const last = ats.at(-1)!
    if (lastPut.value?.title === now.title) stride.value = subtract(last, lastPut.value.at)
    if (ats.length > 1) stride.value = subtract(last, ats.at(-2)!)
    lastPut.value = { at: last, title: now.title }
    const left = now.left - ats.length
    held.value = left <= 0 ? null : { ...now, at: last, isPut: true, left }
    const shown: PendingPut = {
      nodes: ats.map((at, i) => ({
        id: `put ${++count} ${i}`,
        kind: 'part',
        source: '',
        parts: heldParts(now.hand, at, on.catalogue.value),
      })),
      leaves: now.kind === 'moved' ? now.ids : NOBODY,
    }
    on.pending.value = [...on.pending.value, shown]
    waiting.push({ now, ats, section: on.id.value, shown })
    await flush()
  }
  let count = 0

  /** What was put down while an earlier command was under way becomes one command together. */
  async function flush(): Promise<void> {
    if (isFlushing) return
    isFlushing = true
    isBusy.value++
    while (waiting.length > 0) {
      const batch = waiting.splice(0)
      let ids: readonly string[] = []
      const isDone = await open.edit(labelOf(batch), (model) => {
        const made = batch.reduce(withPut, { model, ids: [] })
        ids = made.ids
        return made.model
      })
      const gone = new Set(batch.map(({ shown }) => shown))
      on.pending.value = on.pending.value.filter((each) => !gone.has(each))
      if (isDone) onPut(ids)
    }
    isBusy.value--
    isFlushing = false
  }
  const put = (): Promise<void> => putAt(held.value ? [held.value.at] : [])
  /** One more, as far from the last as that was from the one before. */
  async function repeat(): Promise<void> {
    const now = held.value
    if (!now || !stride.value || !lastPut.value) return
    await putAt([add(lastPut.value.at, stride.value)])
  }
  /** So many beside each other along a direction, the first where the hand is. */
  const row = (times: number, direction: Direction): Promise<void> => putAt(held.value ? rowOf(held.value, times, direction) : [])

  return { put, repeat, row, isBusy }
}

function rowOf({ hand, at }: InHand, count: number, direction: Direction): Vec[] {
  const far = Math.abs(handBox(hand).max[direction >> 1]!)
  return Array.from({ length: count }, (_, i) => add(at, scale(DIRECTION_VECTORS[direction]!, far * i)))
}

/** Something put down, in words and as it is done to the document. */
interface Put {
  readonly now: InHand
  readonly ats: readonly Vec[]
  readonly section: string
  readonly shown: PendingPut
}

function labelOf(batch: readonly Put[]): string {
  const [first] = batch as readonly [Put]
  const times = batch.reduce((sum, { ats }) => sum + ats.length, 0)
  if (batch.some(({ now }) => now.title !== first.now.title)) return say('bench.putDownThings', { times })
  return first.now.kind === 'moved'
    ? say('bench.move2', { title: first.now.title })
    : say('bench.putIn', { title: first.now.title, what: times > 1 ? say('bench.times', { times }) : '' })
}

interface WithIds {
  readonly model: ModelDocument
  readonly ids: readonly string[]
}

function withPut({ model, ids }: WithIds, { now, ats, section }: Put): WithIds {
  if (now.kind === 'moved') return { model: placeNodes(model, section, putDown(now.hand, ats[0]!)), ids: [...now.ids] }
  const put = ats.map((at) => putDown(now.hand, at))
  const added = addNodes(model, section, { parts: put.flatMap(({ parts }) => parts), copies: put.flatMap(({ copies }) => copies) })
  return { model: added.model, ids: [...ids, ...added.ids] }
}
