import { ref } from 'vue'

/** A short word to the person; with a way to take back what was done. */
export interface Notice {
  readonly id: number
  readonly text: string
  readonly isError: boolean
  readonly act?: { readonly label: string; readonly run: () => void }
}

export const notices = ref<Notice[]>([])
let next = 1

const STAYS_MS = 12_000

/** Errors stay until they are closed; everything else goes by itself. */
export function notify(text: string, options: { isError?: boolean; act?: Notice['act'] } = {}): void {
  const notice: Notice = { id: next++, text, isError: options.isError ?? false, ...(options.act ? { act: options.act } : {}) }
  notices.value = [...notices.value.slice(-3), notice]
  if (!notice.isError) setTimeout(() => dismiss(notice.id), STAYS_MS)
}

export function dismiss(id: number): void {
  notices.value = notices.value.filter((notice) => notice.id !== id)
}
