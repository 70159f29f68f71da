import { inject, onBeforeUnmount, ref, watch, type InjectionKey, type Ref } from 'vue'

/** Takes a text that is not handed over yet; returns how to take it off again. */
export type HoldTyped = (handOver: () => void) => () => void

export const HOLD_TYPED: InjectionKey<HoldTyped> = Symbol('typed text')

const PAUSE_MS = 700

export interface TypedText {
  readonly text: Ref<string>
  /** Something was typed. */
  changed(): void
  /** Hands over what is typed, now. */
  commit(): void
}

/**
 * A text that is handed over as it is typed, after a short pause, and at once when the field is left or goes away. What comes
 * from outside meanwhile never takes the place of what is being typed.
 * @param handOverWhen 'left' where half of what is typed means something else: then only when the field is left
 * @param subject what the text belongs to: when that is another, what was typed is handed over and the field begins anew
 */
export function useTypedText(
  value: () => string,
  handOver: () => (text: string) => void,
  handOverWhen: 'typed' | 'left' = 'typed',
  subject: () => unknown = () => undefined,
): TypedText {
  const hold = inject(HOLD_TYPED, () => () => undefined)
  const text = ref(value())
  let pause: ReturnType<typeof setTimeout> | undefined
  /** Who gets the text: the one it was typed for, whatever the field shows by then. */
  let target: ((text: string) => void) | undefined
  let release: (() => void) | undefined

  function commit(): void {
    clearTimeout(pause)
    release?.()
    release = undefined
    const receiver = target
    target = undefined
    receiver?.(String(text.value))
  }

  function changed(): void {
    target ??= handOver()
    release ??= hold(commit)
    clearTimeout(pause)
    if (handOverWhen === 'typed') pause = setTimeout(commit, PAUSE_MS)
  }

  watch(subject, () => {
    commit()
    text.value = value()
  })
  watch(value, (next) => {
    if (!target) text.value = next
  })
  onBeforeUnmount(commit)
  return { text, changed, commit }
}
