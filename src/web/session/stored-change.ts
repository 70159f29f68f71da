import { changeBetween, type Change } from '@core/change'
import type { ModelState } from '../../workers/plan-messages'

/**
 * What turns one state into another, as it is stored. The order of a section is exchanged whole: a later version of the program
 * may have given one up in between, and going back must still lead to the order that was seen.
 */
export function storedChange(before: ModelState, after: ModelState): Change {
  const keys: Record<string, Change> = {}
  for (const key of ['model', 'settings'] as const) {
    const change = changeBetween(before[key], after[key])
    if (change) keys[key] = change
  }
  const insets = changeBetween(before.insets, after.insets)
  if (insets) keys['insets'] = after.insets ? insets : { gone: true }
  const order: [string, Change][] = []
  for (const id of new Set([...Object.keys(before.order), ...Object.keys(after.order)])) {
    const now = after.order[id]
    if (!now) order.push([id, { gone: true }])
    else if (changeBetween(before.order[id], now)) order.push([id, { set: now }])
  }
  return { keys: order.length > 0 ? { ...keys, order: { keys: Object.fromEntries(order) } } : keys }
}
