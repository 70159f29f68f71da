import { ref } from 'vue'

/** A short word to the person; with a way to take back what was done. */
export interface Notice {
  readonly id: number
  readonly text: string
  readonly isError: boolean
  /** How often it was said since it stands there. */
  readonly times: number
  readonly act?: { readonly label: string; readonly run: () => void }
}

export const notices = ref<Notice[]>([])
let next = 1

const STAYS_MS = 12_000
/** Older ones give way: a pile of messages is read by nobody. */
const MOST = 2

/** Errors, and what is to stay, stand until they are closed; everything else goes by itself. What is said already is not said twice. */
export function notify(text: string, options: { isError?: boolean; stays?: boolean; act?: Notice['act'] } = {}): void {
  const isError = options.isError ?? false
  const same = notices.value.find((notice) => notice.text === text && notice.isError === isError)
  const notice: Notice = { id: next++, text, isError, times: (same?.times ?? 0) + 1, ...(options.act ? { act: options.act } : {}) }
  notices.value = [...notices.value.filter((other) => other !== same).slice(1 - MOST), notice]
  if (!isError && !options.stays) setTimeout(() => dismiss(notice.id), STAYS_MS)
}

export function dismiss(id: number): void {
  notices.value = notices.value.filter((notice) => notice.id !== id)
}
