import { shallowRef } from 'vue'
import type { SeenOutline } from '@core/picture'

type Point = readonly [number, number]

/** What pointers do to a picture; px from its left and top. */
export interface PointerActs {
  readonly turn: (x: number, y: number) => void
  readonly pan: (x: number, y: number) => void
  readonly zoom: (factor: number, x: number, y: number) => void
  readonly click: (x: number, y: number, event: PointerEvent) => void
  readonly hover: (x: number, y: number) => void
  readonly lasso: (outline: SeenOutline, event: PointerEvent) => void
}

/** A pointer that moved less than this, px, has clicked. */
const STILL = 5

/**
 * One pointer turns the picture, with Shift or another button it moves it, with Ctrl it draws a box; two fingers move and zoom.
 * A pointer that stays where it was clicks.
 */
export function usePointers(acts: PointerActs) {
  const at = new Map<number, Point>()
  const lassoBox = shallowRef<SeenOutline | null>(null)
  let from: Point = [0, 0]
  let hasMoved = false
  let mode: 'turn' | 'pan' | 'lasso' = 'turn'

  const pointOf = (event: PointerEvent): Point => {
    const { left, top } = (event.currentTarget as HTMLElement).getBoundingClientRect()
    return [event.clientX - left, event.clientY - top]
  }
  /** What stands over the picture keeps its own clicks. */
  const isOnPaper = (event: PointerEvent): boolean => !(event.target as Element).closest('button, input, select, a, textarea, label, .over')

  function pointerdown(event: PointerEvent): void {
    if (!isOnPaper(event)) return
    ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
    const point = pointOf(event)
    at.set(event.pointerId, point)
    if (at.size === 1) {
      from = point
      hasMoved = false
      mode = event.ctrlKey || event.metaKey ? 'lasso' : event.shiftKey || event.button !== 0 ? 'pan' : 'turn'
    } else hasMoved = true
  }

  function pointermove(event: PointerEvent): void {
    const before = at.get(event.pointerId)
    const point = pointOf(event)
    if (!before) {
      if (event.pointerType !== 'touch' && isOnPaper(event)) acts.hover(...point)
      return
    }
    if (at.size === 2) return pinch(event.pointerId, before, point)
    if (!hasMoved && Math.hypot(point[0] - from[0], point[1] - from[1]) < STILL) return
    hasMoved = true
    at.set(event.pointerId, point)
    const by: Point = [point[0] - before[0], point[1] - before[1]]
    if (mode === 'turn') acts.turn(...by)
    else if (mode === 'pan') acts.pan(...by)
    else lassoBox.value = boxOf(from, point)
  }

  function pinch(id: number, before: Point, point: Point): void {
    const other = [...at].find(([each]) => each !== id)![1]
    const far = (a: Point, b: Point): number => Math.max(1, Math.hypot(a[0] - b[0], a[1] - b[1]))
    acts.zoom(far(point, other) / far(before, other), (point[0] + other[0]) / 2, (point[1] + other[1]) / 2)
    acts.pan((point[0] - before[0]) / 2, (point[1] - before[1]) / 2)
    at.set(id, point)
  }

  function pointerup(event: PointerEvent): void {
    if (!at.delete(event.pointerId)) return
    const point = pointOf(event)
    if (lassoBox.value) {
      lassoBox.value = null
      acts.lasso(boxOf(from, point), event)
    } else if (!hasMoved && at.size === 0) acts.click(...point, event)
  }

  function pointercancel(event: PointerEvent): void {
    at.delete(event.pointerId)
    lassoBox.value = null
  }

  return { lassoBox, pointerdown, pointermove, pointerup, pointercancel, contextmenu: (event: Event) => event.preventDefault() }
}

const boxOf = (a: Point, b: Point): SeenOutline => ({
  left: Math.min(a[0], b[0]),
  top: Math.min(a[1], b[1]),
  right: Math.max(a[0], b[0]),
  bottom: Math.max(a[1], b[1]),
})
