import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import { changeBetween } from '@core/change'
import { plainFault } from '@core/fault'
import { faultText } from '../language'
import { toBytes, type Drawn } from '../../workers/plan-messages'
import { nextTask } from '../shared/next-task'
import type { PaintSource } from '../shared/painter-key'
import type { DrawnChange, PainterClient } from '../workers/painter-client'
import type { Snapshot } from './snapshot'

export interface Painting {
  /** What pictures on the screen are painted from; its version rises with each snapshot. */
  readonly source: Readonly<ShallowRef<PaintSource | null>>
  /** Why there are no pictures; empty while there are. */
  readonly problem: Readonly<Ref<string>>
  close(): void
}

/** Whether a piece looks the same in both, whichever it is. */
const hasSamePieces = (a: Snapshot, b: Snapshot): boolean => a.catalogue === b.catalogue && a.model.decals === b.model.decals

/** Keeps a painter told of what is shown: of the first snapshot all, later what has changed. */
export function createPainting(snapshot: Readonly<Ref<Snapshot | null>>, makePainter: () => PainterClient): Painting {
  const source = shallowRef<PaintSource | null>(null)
  const problem = ref('')
  let painter: PainterClient | undefined
  let told: Snapshot | undefined
  let version = 0
  let isClosed = false

  const whole = ({ shown, printed, bytes }: Snapshot) => ({ model: toBytes(shown), printed: bytes ?? toBytes(printed) })
  const drawn = ({ shown, printed }: Pick<Snapshot, 'shown' | 'printed'>): Drawn => ({ model: shown, printed })

  function change(before: Snapshot, next: Snapshot): DrawnChange {
    // A report that came as bytes goes on as bytes, where it is another: it need not be taken apart here.
    const printed = before.printed === next.printed ? undefined : next.bytes
    const after = printed ? { model: next.shown, printed: before.printed } : drawn(next)
    return {
      base: version++,
      version,
      change: changeBetween(drawn(before), after),
      printed,
      hasPieces: hasSamePieces(before, next),
      whole: () => whole(next),
    }
  }

  async function tell(): Promise<void> {
    // What is told whole takes a while of a large model: what is on the screen already is drawn before.
    if (!told || snapshot.value?.bytes) await nextTask()
    const next = snapshot.value
    if (!next || next === told || isClosed) return
    painter ??= makePainter()
    const before = told
    told = next
    const asked = before ? painter.change(change(before, next)) : painter.openBytes(++version, () => whole(next))
    // Pictures asked for from now on come after this in the painter's own queue.
    source.value = { painter, catalogue: next.catalogue, version }
    try {
      await asked
      problem.value = ''
    } catch (thrown) {
      if (told === next) problem.value = faultText(plainFault(thrown))
    }
  }

  const stop = watch(snapshot, () => void tell(), { immediate: true })

  return {
    source,
    problem,
    close() {
      isClosed = true
      stop()
      painter?.close()
      painter = undefined
    },
  }
}
