import type { Transaction } from 'dexie'
import type { Change } from '@core/change'
import { fromBytes, toBytes, type ModelState } from '../../workers/plan-messages'

/** What it changes of the rows of two tables. */
interface DocumentRow {
  bytes: Uint8Array
}
interface ChangeRow {
  forward: string
  back: string
}

/** What is made of strained techniques was called a school once, in states and in the changes between them. */
const OLD = 'school'
const NOW = 'techniques'

function renamed<Value extends object>(value: Value): Value {
  if (!Object.hasOwn(value, OLD)) return value
  const { [OLD]: kept, ...rest } = value as Record<string, unknown>
  return { ...rest, [NOW]: kept } as Value
}

/** A change of a state whose settings name the techniques as they are named now. */
function changeRenamed(change: Change): Change {
  if (!('keys' in change)) return change
  const { settings } = change.keys
  if (settings === undefined) return change
  if ('keys' in settings) return { keys: { ...change.keys, settings: { keys: renamed(settings.keys) } } }
  return 'set' in settings ? { keys: { ...change.keys, settings: { set: renamed(settings.set as object) } } } : change
}

const textRenamed = (text: string): string => JSON.stringify(changeRenamed(JSON.parse(text) as Change))

/** Brings stored states and histories of earlier versions to that name. */
export async function renameTechniques(transaction: Transaction): Promise<void> {
  await transaction
    .table<DocumentRow, string>('documents')
    .toCollection()
    .modify((row) => {
      const state = fromBytes<ModelState>(row.bytes)
      if (Object.hasOwn(state.settings, OLD)) row.bytes = toBytes({ ...state, settings: renamed(state.settings) })
    })
  await transaction
    .table<ChangeRow, [string, number]>('changes')
    .toCollection()
    .modify((row) => {
      if (!row.forward.includes(OLD) && !row.back.includes(OLD)) return
      Object.assign(row, { forward: textRenamed(row.forward), back: textRenamed(row.back) })
    })
}
