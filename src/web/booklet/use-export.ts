import { proxy } from 'comlink'
import { computed, onUnmounted, ref, shallowRef } from 'vue'
import { plainFault, type PlainFault } from '@core/fault'
import type { BookletExport, ExportInput } from '@press/index'
import type { PressApi } from '../../workers/press.worker'
import { download, fileName } from '../shared/download'
import type { RequestTable } from '../workers/request-table'
import { startPress } from './press-worker'

/** Writes booklets as files in a worker of its own, one at a time. */
export function useExport() {
  const press = shallowRef<RequestTable<PressApi> | null>(null)
  const running = shallowRef<BookletExport | null>(null)
  const progress = ref(0)

  /** @returns why it was not written, where it was not */
  async function write(asked: BookletExport, input: Omit<ExportInput, 'assets' | 'progress'>): Promise<PlainFault | 'stopped' | 'done'> {
    stop()
    const worker = startPress()
    press.value = worker
    running.value = asked
    progress.value = 0
    try {
      const told = proxy((fraction: number) => {
        if (press.value === worker) progress.value = fraction
      })
      const answer = await worker.ask((remote) => remote.write(asked.id, input, told))
      if (!answer.bytes) return answer.fault!
      const name = [input.bundle.model.name, asked.suffix].filter((word) => word !== undefined).join(' ')
      download(fileName(name, asked.extension), answer.bytes, asked.mediaType)
      return 'done'
    } catch (thrown) {
      const fault = plainFault(thrown)
      return fault.code === 'closed' ? 'stopped' : fault
    } finally {
      if (press.value === worker) stop()
    }
  }

  function stop(): void {
    press.value?.close()
    press.value = null
    running.value = null
  }
  onUnmounted(stop)

  return { running: computed(() => running.value), progress: computed(() => progress.value), write, stop }
}
