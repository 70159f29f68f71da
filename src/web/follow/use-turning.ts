import { computed, ref, type Ref } from 'vue'
import { movedOn, turnedFurther, zoomedAt, type FreeView, type TurnedView } from '@core/picture'
import type { FlatPoint } from '@core/space'
import { PER_PIXEL, pinched } from './pinch'

/** What a hand does with a picture. */
interface TurningHand {
  /** Where the picture is seen from while nobody has turned it. */
  readonly begin: () => TurnedView
  /** One finger was drawn over it sideways: +1 to the left, for the next page, −1 to the right. */
  readonly onSwipe: (way: 1 | -1) => void
}

/** A finger that is drawn so far sideways turns the page, px. */
const SWIPE = 60
/** A mouse that is moved less while it is down has clicked, px. */
const CLICK = 4

const placeOf = ({ clientX, clientY }: PointerEvent): FlatPoint => [clientX, clientY]
const frameOf = ({ currentTarget }: Event): DOMRect => (currentTarget as HTMLElement).getBoundingClientRect()

/**
 * Turns and enlarges a picture by hand: two fingers turn it and pull it nearer, the mouse turns it; one finger alone turns pages, or
 * moves what is enlarged. A hand that has had two fingers down never turns a page.
 */
export function useTurning({ begin, onSwipe }: TurningHand) {
  /** Nothing while the picture of the step is seen as it is printed. */
  const view: Ref<TurnedView | null> = ref(null)
  const isMoving = ref(false)
  const down = new Map<number, FlatPoint>()
  /** Most fingers that were down at once since the first came down, and where that was. */
  let most = 0
  let start: FlatPoint = [0, 0]

  const now = (): TurnedView => view.value ?? begin()
  const show = (next: TurnedView): void => void (view.value = next)
  const move = (next: TurnedView): void => {
    isMoving.value = true
    show(next)
  }

  function onDown(event: PointerEvent): void {
    if (event.pointerType === 'mouse' && event.button !== 0) return
    if (down.size === 0) [most, start] = [0, placeOf(event)]
    down.set(event.pointerId, placeOf(event))
    most = Math.max(most, down.size)
  }

  function onMove(event: PointerEvent): void {
    const before = down.get(event.pointerId)
    if (!before) return
    const after = placeOf(event)
    const other = [...down].find(([id]) => id !== event.pointerId)?.[1]
    if (other) move(pinched(now(), [before, other], [after, other], frameOf(event)))
    else if (most === 1) moveOne(event, [after[0] - before[0], after[1] - before[1]])
    down.set(event.pointerId, after)
  }

  function moveOne(event: PointerEvent, [dx, dy]: FlatPoint): void {
    if (event.pointerType === 'mouse') {
      if (!isMoving.value && Math.hypot(event.clientX - start[0], event.clientY - start[1]) < CLICK) return
      ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
      move(turnedFurther(now(), { turn: -dx * PER_PIXEL, lift: dy * PER_PIXEL }))
    } else if (now().zoom > 1) {
      const { width } = frameOf(event)
      move(movedOn(now(), [dx / width, dy / width]))
    }
  }

  function onUp(event: PointerEvent): void {
    if (!down.delete(event.pointerId) || down.size > 0) return
    isMoving.value = false
    const drawn = event.clientX - start[0]
    const isSwipe = event.type === 'pointerup' && event.pointerType !== 'mouse' && most === 1 && now().zoom === 1
    if (isSwipe && Math.abs(drawn) > SWIPE) onSwipe(drawn < 0 ? 1 : -1)
  }

  const zoomBy = (times: number): void => show(zoomedAt(now(), times, [0, 0]))
  return {
    view,
    isMoving: computed(() => isMoving.value),
    turnBy: (by: FreeView): void => show(turnedFurther(now(), by)),
    zoomBy,
    reset: (): void => void (view.value = null),
    handlers: { pointerdown: onDown, pointermove: onMove, pointerup: onUp, pointercancel: onUp, wheel: wheelTo(zoomBy) },
  }
}

/** Two fingers on a touchpad come as a wheel with the control key. */
const wheelTo =
  (zoomBy: (times: number) => void) =>
  (event: WheelEvent): void => {
    if (!event.ctrlKey) return
    event.preventDefault()
    zoomBy(Math.exp(-event.deltaY / 200))
  }
