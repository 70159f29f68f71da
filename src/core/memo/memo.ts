/**
 * Values of the house are never changed in place, so what was derived of an object holds as long as the object lives: it is
 * kept weakly, beside the object. Where something else is needed too, it is derived anew when that is no longer the same.
 */

/** A function of one object that remembers what it returned. */
export function memo<Key extends object, Value>(derive: (key: Key) => Value): (key: Key) => Value {
  const known = new WeakMap<Key, { readonly value: Value }>()
  return (key) => {
    let entry = known.get(key)
    if (!entry) known.set(key, (entry = { value: derive(key) }))
    return entry.value
  }
}

/** A function of an object and more; of each object it remembers what it returned for the same rest last time. */
export function memoLast<Key extends object, Rest extends readonly unknown[], Value>(
  derive: (key: Key, ...rest: Rest) => Value,
): (key: Key, ...rest: Rest) => Value {
  const known = new WeakMap<Key, { readonly rest: Rest; readonly value: Value }>()
  return (key, ...rest) => {
    let entry = known.get(key)
    if (!entry?.rest.every((value, i) => value === rest[i])) known.set(key, (entry = { rest, value: derive(key, ...rest) }))
    return entry.value
  }
}

/** The same where the rest is one list, however long, told by its items. */
export function memoList<Key extends object, Item, Value>(
  derive: (key: Key, items: readonly Item[]) => Value,
): (key: Key, items: readonly Item[]) => Value {
  const known = new WeakMap<Key, { readonly items: readonly Item[]; readonly value: Value }>()
  return (key, items) => {
    let entry = known.get(key)
    const isSame = entry?.items.length === items.length && entry.items.every((item, i) => item === items[i])
    if (!entry || !isSame) known.set(key, (entry = { items, value: derive(key, items) }))
    return entry.value
  }
}

/** Two objects: what is derived of the second in the light of the first lives as long as both do. */
export function memoPair<A extends object, B extends object, Value>(derive: (a: A, b: B) => Value): (a: A, b: B) => Value {
  const known = memo((_: A) => new WeakMap<B, { readonly value: Value }>())
  return (a, b) => {
    const ofA = known(a)
    let entry = ofA.get(b)
    if (!entry) ofA.set(b, (entry = { value: derive(a, b) }))
    return entry.value
  }
}

/** An object and a name or number: of each object a value for each of them. */
export function memoNamed<Key extends object, Name extends string | number, Value>(
  derive: (key: Key, name: Name) => Value,
): (key: Key, name: Name) => Value {
  const known = memo((_: Key) => new Map<Name, { readonly value: Value }>())
  return (key, name) => {
    const ofKey = known(key)
    let entry = ofKey.get(name)
    if (!entry) ofKey.set(name, (entry = { value: derive(key, name) }))
    return entry.value
  }
}
