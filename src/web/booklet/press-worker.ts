import type { Remote } from 'comlink'
import type { PressApi } from '../../workers/press.worker'
import { RequestTable } from '../workers/request-table'

/**
 * A worker that writes booklets; close it when it is not needed any more.
 * @param onLost told when it has died: what it was told is gone
 */
export const startPress = (onLost?: () => void): RequestTable<PressApi> =>
  new RequestTable<PressApi>(
    'press',
    (name) => new Worker(new URL('../../workers/press.worker.ts', import.meta.url), { type: 'module', name }),
    onLost,
  )

/** Asks a worker of its own one thing. @throws Fault as the worker does */
export async function askPress<Answer>(ask: (press: Remote<PressApi>) => Promise<Answer>): Promise<Answer> {
  const press = startPress()
  try {
    return await press.ask(ask)
  } finally {
    press.close()
  }
}
