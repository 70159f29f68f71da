import { useEventListener } from '@vueuse/core'
import { groundDirection } from '@core/picture'
import { MINUS_Z, PLUS_Z, axisOf } from '@core/space'
import { isTyping, shortcutOf } from '../shared/shortcut'
import type { ModelSight } from './model-picture'
import type { BenchActs } from './use-acts'
import type { BenchHand } from './use-hand'
import type { BenchSection } from './use-section'
import type { BenchSelection } from './use-selection'

interface KeysOn {
  readonly view: () => ModelSight | undefined
  readonly hand: BenchHand
  readonly selection: BenchSelection
  readonly acts: BenchActs
  readonly section: BenchSection
  readonly line: () => void
  readonly seeThrough: () => void
}

const ARROWS = { ArrowRight: 'right', ArrowLeft: 'left', ArrowUp: 'away', ArrowDown: 'near' } as const
const TURN = 15
const ZOOM = 1.25
/** What keys do, by the letter or sign they are known by. */
export type KeyActs = Readonly<Record<string, () => unknown>>

/** Keys that a button or link under the focus needs itself. */
const OWN_KEYS = new Set(['Enter', ' '])

/** Whether a key belongs to the button, link or rail that has the focus. */
export function isControlKey({ key, target }: KeyboardEvent): boolean {
  if (!(target instanceof Element)) return false
  if (target.closest('button, a')) return OWN_KEYS.has(key) || key.startsWith('Arrow')
  return target.closest('[role=group]') !== null && key.startsWith('Arrow')
}

/** Keys that turn, zoom and fit a picture of a model. */
export const sightKeys = (sight: ModelSight | undefined): KeyActs => ({
  ArrowLeft: () => sight?.turn({ turn: -TURN, lift: 0 }),
  ArrowRight: () => sight?.turn({ turn: TURN, lift: 0 }),
  ArrowUp: () => sight?.turn({ turn: 0, lift: TURN }),
  ArrowDown: () => sight?.turn({ turn: 0, lift: -TURN }),
  '+': () => sight?.zoom(ZOOM),
  '=': () => sight?.zoom(ZOOM),
  '-': () => sight?.zoom(1 / ZOOM),
  f: () => sight?.fit(),
})

/**
 * The keys of the bench. With something in the hand the arrows move it along the ground as it is seen, else they turn the picture.
 * Letters are told by their keys, so that they work on every keyboard.
 */
export function useBenchKeys(keys: KeysOn): void {
  const act = (event: KeyboardEvent): boolean => {
    const key = shortcutOf(event)
    return keys.hand.held.value ? withHand(keys, key, event) : withoutHand(keys, key, event)
  }
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || isTyping(event) || event.defaultPrevented || isControlKey(event)) return
    if (act(event)) event.preventDefault()
  })
}

function withHand({ view, hand, line }: KeysOn, key: string, event: KeyboardEvent): boolean {
  const sight = view()
  const arrow = ARROWS[key as keyof typeof ARROWS]
  if (arrow && sight) {
    hand.moveBy(groundDirection(sight.free, arrow), event.altKey ? 'half' : 'stud')
    return true
  }
  if (/^[2-9]$/.test(key) && sight) {
    void hand.row(Number(key), groundDirection(sight.free, 'right'))
    return true
  }
  const acts: KeyActs = {
    PageUp: () => hand.moveBy(PLUS_Z, 'plate'),
    PageDown: () => hand.moveBy(MINUS_Z, 'plate'),
    Enter: hand.put,
    Escape: hand.letGo,
    r: hand.turn,
    t: hand.tip,
    x: () => hand.mirror(sight && axisOf(groundDirection(sight.free, 'right')) === 1 ? 'y' : 'x'),
    g: hand.drop,
    '.': hand.repeat,
    '>': hand.repeat,
    '/': line,
  }
  return runKey(acts[key])
}

function withoutHand({ view, selection, acts, section, line, seeThrough }: KeysOn, key: string, event: KeyboardEvent): boolean {
  const all: KeyActs = {
    ...sightKeys(view()),
    n: () => selection.walk(1, event.shiftKey),
    b: () => selection.walk(-1, event.shiftKey),
    m: () => acts.takeUp('moved'),
    d: () => acts.takeUp('copied'),
    Delete: acts.remove,
    Backspace: acts.remove,
    h: acts.hide,
    i: acts.isolate,
    s: seeThrough,
    a: section.showAll,
    '<': () => section.peelLayer(-1),
    '>': () => section.peelLayer(1),
    Escape: () => (acts.tool.value ? acts.openTool(null) : selection.only([])),
    '/': line,
    Enter: line,
  }
  return runKey(all[key])
}

/** @returns whether there was anything to do */
export function runKey(act: (() => unknown) | undefined): boolean {
  if (!act) return false
  void act()
  return true
}
