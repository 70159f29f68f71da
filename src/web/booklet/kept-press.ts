import type { Preview } from '@press/index'
import type { PressApi } from '../../workers/press.worker'
import type { RequestTable } from '../workers/request-table'
import { startPress } from './press-worker'

/** Sheets that were laid out: all of them, or the first while the others come. */
export interface ShownSheets extends Preview {
  /** How many there are in all. */
  readonly count: number
}

/** A worker that lays sheets out and paints them, and what it was given last. */
export interface SheetPress {
  readonly table: RequestTable<PressApi>
  /** The id of the model, its booklet, the names in it, and the sheets it took; missing where the worker knows none. */
  laid?: { readonly model: string; readonly source: unknown; readonly names: unknown; readonly preview: ShownSheets }
  /** Told when the worker has died. */
  onLost: () => void
}

/** Who looks at a booklet between two edits finds it as it was: its worker is kept so long after it is left, ms. */
export const KEPT_MS = 30_000

let kept: SheetPress | undefined
let timer: ReturnType<typeof setTimeout> | undefined

/** The worker that was kept, or a new one. It is the caller's until it is kept or its table is closed. */
export function takePress(onLost: () => void): SheetPress {
  clearTimeout(timer)
  const press = kept ?? newPress()
  kept = undefined
  press.onLost = onLost
  return press
}

function newPress(): SheetPress {
  const press: SheetPress = {
    table: startPress(() => {
      delete press.laid
      press.onLost()
    }),
    onLost: () => undefined,
  }
  return press
}

/** Keeps a worker for who comes back soon; one alone, so that another that was kept ends. */
export function keepPress(press: SheetPress): void {
  clearTimeout(timer)
  kept?.table.close()
  press.onLost = () => undefined
  kept = press
  timer = setTimeout(() => {
    kept = undefined
    press.table.close()
  }, KEPT_MS)
}
