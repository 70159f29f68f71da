import { ref, type Ref } from 'vue'
import { Fault, plainFault } from '@core/fault'
import { faultText, say } from '../language'

/** What became of a command. */
export type Answer =
  | { readonly kind: 'done' }
  /** It would have changed nothing. */
  | { readonly kind: 'unchanged' }
  /** Nothing has changed; why, and what to do. */
  | { readonly kind: 'refused'; readonly reason: string; readonly anyway?: () => Promise<Answer> }
  /** Something else came first, so it was not tried. */
  | { readonly kind: 'overtaken'; readonly reason: string }

export interface CommandQueue {
  /** Commands that are not answered yet. */
  readonly pending: Readonly<Ref<number>>
  /** Does one command after another; every one is answered. */
  run(act: () => Promise<Answer>): Promise<Answer>
  /** Answered when all that was asked before is. */
  idle(): Promise<void>
  /** What waits is overtaken; what is under way is answered when it ends. */
  close(): void
}

const closedAnswer = (): Answer => ({ kind: 'overtaken', reason: say('session.theModelWasClosedBefore') })

export function createCommandQueue(): CommandQueue {
  const pending = ref(0)
  let last: Promise<unknown> = Promise.resolve()
  let isClosed = false

  async function answered(act: () => Promise<Answer>): Promise<Answer> {
    if (isClosed) return closedAnswer()
    try {
      return await act()
    } catch (thrown) {
      if (thrown instanceof Fault && thrown.code === 'closed') return closedAnswer()
      return { kind: 'refused', reason: faultText(plainFault(thrown)) }
    }
  }

  return {
    pending,
    run(act) {
      pending.value++
      const answer = last.then(() => answered(act)).finally(() => pending.value--)
      last = answer
      return answer
    },
    idle: () => last.then(() => undefined),
    close() {
      isClosed = true
    },
  }
}
