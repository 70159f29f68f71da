/**
 * Differences of plain values (what JSON holds), for values that are never changed in place: what two values share is the same
 * object, and is neither looked into nor written down. A change is itself plain, so it can be stored, sent to a worker, undone.
 */
export type Change =
  | { readonly set: unknown }
  | { readonly gone: true }
  | { readonly keys: Readonly<Record<string, Change>> }
  | { readonly items: readonly ItemChange[]; readonly length: number }

/** In the array as it was: at `at`, `remove` items give way to `insert`; or the one item there changes. In rising order of `at`. */
type ItemChange =
  { readonly at: number; readonly remove: number; readonly insert: readonly unknown[] } | { readonly at: number; readonly change: Change }

type PlainObject = Readonly<Record<string, unknown>>

/** What an object holds itself: `__proto__` is a key like any other in a file. */
const own = (value: PlainObject, key: string): unknown => (Object.hasOwn(value, key) ? value[key] : undefined)

const isObject = (value: unknown): value is PlainObject => value !== null && typeof value === 'object' && !Array.isArray(value)

/** What turns one value into the other; undefined where they are equal. */
export function changeBetween(before: unknown, after: unknown): Change | undefined {
  if (before === after) return undefined
  if (Array.isArray(before) && Array.isArray(after)) return betweenArrays(before, after)
  if (isObject(before) && isObject(after)) return betweenObjects(before, after)
  return { set: after }
}

function betweenObjects(before: PlainObject, after: PlainObject): Change | undefined {
  const keys: Record<string, Change> = {}
  let isChanged = false
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    // A key whose value is undefined is not there, as in JSON.
    const [old, now] = [own(before, key), own(after, key)]
    const change = now === undefined ? (old === undefined ? undefined : ({ gone: true } as const)) : changeBetween(old, now)
    if (!change) continue
    define(keys, key, change)
    isChanged = true
  }
  return isChanged ? { keys } : undefined
}

function define(target: Record<string, unknown>, key: string, value: unknown): void {
  Object.defineProperty(target, key, { value, enumerable: true, configurable: true, writable: true })
}

const isEqual = (a: unknown, b: unknown): boolean => a === b || changeBetween(a, b) === undefined

/** What the arrays share at both ends stays; the middle is changed item by item, or exchanged where items came or went. */
function betweenArrays(before: readonly unknown[], after: readonly unknown[]): Change | undefined {
  const shorter = Math.min(before.length, after.length)
  let start = 0
  while (start < shorter && isEqual(before[start], after[start])) start++
  let end = 0
  while (end < shorter - start && isEqual(before[before.length - 1 - end], after[after.length - 1 - end])) end++
  const [left, right] = [before.length - start - end, after.length - start - end]
  if (left === 0 && right === 0) return undefined
  const { length } = after
  if (left !== right) return { items: spliced(before, after, start, end), length }
  const items: ItemChange[] = []
  for (let i = start; i < start + left; i++) {
    const change = changeBetween(before[i], after[i])
    if (change) items.push({ at: i, change })
  }
  return { items, length }
}

/** What came and went between two ends: an object that stands in both, further on, is not sent again. */
function spliced(before: readonly unknown[], after: readonly unknown[], start: number, end: number): ItemChange[] {
  const places = new Map<unknown, number>()
  for (let i = before.length - end - 1; i >= start; i--) if (typeof before[i] === 'object') places.set(before[i], i)
  const items: ItemChange[] = []
  let at = start
  let insert: unknown[] = []
  const close = (to: number): void => {
    if (insert.length > 0 || to > at) items.push({ at, remove: to - at, insert })
    insert = []
  }
  for (const item of after.slice(start, after.length - end)) {
    const place = places.get(item)
    if (place === undefined || place < at) insert.push(item)
    else {
      close(place)
      at = place + 1
    }
  }
  close(before.length - end)
  return items
}

/**
 * The value after a change; what the change does not name is shared with the value before.
 * @throws RangeError where the change was not made for such a value
 */
export function applyChange(value: unknown, change: Change): unknown {
  if ('set' in change) return change.set
  if ('gone' in change) return undefined
  if ('keys' in change) {
    if (!isObject(value)) throw new RangeError('a change of keys met no object')
    return applyKeys(value, change.keys)
  }
  if (!Array.isArray(value)) throw new RangeError('a change of items met no array')
  return applyItems(value, change.items, change.length)
}

function applyKeys(value: PlainObject, keys: Readonly<Record<string, Change>>): PlainObject {
  const next: Record<string, unknown> = {}
  for (const key of Object.keys(value)) {
    const change = own(keys, key) as Change | undefined
    if (change && 'gone' in change) continue
    define(next, key, change ? applyChange(own(value, key), change) : own(value, key))
  }
  for (const [key, change] of Object.entries(keys)) {
    if (!Object.hasOwn(value, key) && !('gone' in change)) define(next, key, applyChange(undefined, change))
  }
  return next
}

function applyItems(value: readonly unknown[], items: readonly ItemChange[], length: number): unknown[] {
  const next: unknown[] = []
  let from = 0
  for (const item of items) {
    if (item.at < from || item.at > value.length) throw new RangeError('a change of items lies past the end')
    for (; from < item.at; from++) next.push(value[from])
    if ('change' in item) next.push(applyChange(value[from++], item.change))
    else {
      for (const inserted of item.insert) next.push(inserted)
      from += item.remove
    }
  }
  for (; from < value.length; from++) next.push(value[from])
  if (next.length !== length) throw new RangeError('a change of items met an array of another length')
  return next
}

/** The newer value with everything taken from the older one that is equal there: so that what did not change is the same object. */
export function sharing<Value>(before: unknown, after: Value): Value {
  const change = changeBetween(before, after)
  return (change ? applyChange(before, change) : before) as Value
}
