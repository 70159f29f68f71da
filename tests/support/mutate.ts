import { randomFrom } from '../../src/core/plan/random'

type Random = () => number

/** Values that readers stumble over. */
const AWKWARD: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1e308,
  -0,
  0.5,
  2 ** 53,
  '',
  ' ',
  '__proto__',
  'constructor',
  '\u0000',
  '\ud800',
  '=1+1',
  '\u001b[31m',
  'x'.repeat(300),
  'x'.repeat(100_000),
  [],
  {},
  [[[[[[]]]]]],
  [1e9, 1e9, 1e9],
]

/** A value much like another, with a few things in it changed for the worse: dropped, doubled, exchanged, made awkward. */
export function mutated(value: unknown, seed: number, changes = 3): unknown {
  const random = randomFrom(seed)
  let now = structuredClone(value)
  for (let i = 0; i < 1 + Math.floor(random() * changes); i++) now = mutateOnce(now, random)
  return now
}

type Container = Record<string | number, unknown>

function mutateOnce(root: unknown, random: Random): unknown {
  const places: { holder: Container; key: string | number }[] = []
  const visit = (value: unknown, depth: number): void => {
    if (value === null || typeof value !== 'object' || depth > 12) return
    for (const key of Object.keys(value)) {
      places.push({ holder: value as Container, key })
      visit((value as Container)[key], depth + 1)
    }
  }
  visit(root, 0)
  if (places.length === 0) return pick(AWKWARD, random)
  const { holder, key } = pick(places, random)
  const other = pick(places, random)
  switch (Math.floor(random() * 6)) {
    case 0:
      delete holder[key]
      break
    case 1:
      holder[key] = structuredClone(pick(AWKWARD, random))
      break
    case 2:
      holder[key] = structuredClone(other.holder[other.key])
      break
    case 3:
      if (Array.isArray(holder)) holder.push(structuredClone(holder[Number(key)]))
      else holder[`${key}2`] = holder[key]
      break
    case 4:
      if (typeof holder[key] === 'number') holder[key] = holder[key] * pick([-1, 0, 1.5, 10, 1e6], random)
      else if (typeof holder[key] === 'string') holder[key] = garbled(holder[key], random)
      else holder[key] = pick(AWKWARD, random)
      break
    default:
      if (Array.isArray(holder[key])) holder[key] = (holder[key] as unknown[]).slice(0, Math.floor(random() * 3))
      else holder[key] = { [key]: holder[key] }
  }
  return root
}

/** A text with a few letters taken out, put in or exchanged. */
export function garbled(text: string, random: Random, changes = 3): string {
  let now = text
  for (let i = 0; i < changes; i++) {
    const at = Math.floor(random() * (now.length + 1))
    const sign = pick(['', '"', ',', ';', '\n', '\t', '\u0000', 'é', '9', '-', "'", '=', '\ud83d'], random)
    now = now.slice(0, at) + sign + now.slice(at + (random() < 0.5 ? 1 : 0))
  }
  return now
}

/** Bytes with a few of them changed, cut off, or repeated. */
export function mutatedBytes(bytes: Uint8Array<ArrayBuffer>, seed: number): Uint8Array<ArrayBuffer> {
  const random = randomFrom(seed)
  let now = bytes.slice()
  for (let i = 0; i < 1 + Math.floor(random() * 4); i++) {
    const at = Math.floor(random() * now.length)
    const way = random()
    if (way < 0.7) now[at] = Math.floor(random() * 256)
    else if (way < 0.85) now = now.slice(0, at)
    else {
      const twice = new Uint8Array(now.length * 2)
      twice.set(now)
      twice.set(now, now.length)
      now = twice
    }
  }
  return now
}

const pick = <Item>(items: readonly Item[], random: Random): Item => items[Math.floor(random() * items.length)]!
