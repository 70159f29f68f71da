import { describe, expect, it, vi } from 'vitest'
import { turnedViewOf } from '@core/picture'
import { pinched } from './pinch'
import { useTurning } from './use-turning'

const FRAME = { left: 0, top: 0, width: 400, height: 300 }
const target = { getBoundingClientRect: () => FRAME, setPointerCapture: () => undefined }

function hand() {
  const onSwipe = vi.fn()
  const turning = useTurning({ begin: () => turnedViewOf(0), onSwipe })
  const say = (
    type: 'pointerdown' | 'pointermove' | 'pointerup' | 'pointercancel',
    pointerId: number,
    [clientX, clientY]: [number, number],
    pointerType = 'touch',
  ) =>
    turning.handlers[type]({ type, pointerId, clientX, clientY, pointerType, button: 0, currentTarget: target } as unknown as PointerEvent)
  return { ...turning, onSwipe, say }
}

describe('a hand on the picture', () => {
  it('turns the page with one finger, and nothing else', () => {
    const { say, onSwipe, view } = hand()
    say('pointerdown', 1, [200, 100])
    say('pointermove', 1, [120, 105])
    say('pointerup', 1, [100, 105])
    expect(onSwipe.mock.calls).toEqual([[1]])
    expect(view.value).toBeNull()
    say('pointerdown', 1, [100, 100])
    say('pointerup', 1, [130, 100])
    expect(onSwipe).toHaveBeenCalledTimes(1)
  })

  it('turns and enlarges with two fingers, and never turns a page, however they come up', () => {
    const { say, onSwipe, view } = hand()
    say('pointerdown', 1, [100, 150])
    say('pointerdown', 2, [200, 150])
    say('pointermove', 2, [300, 150])
    expect(view.value!.zoom).toBeCloseTo(2)
    expect(view.value!.turn).toBeLessThan(turnedViewOf(0).turn)
    say('pointerup', 1, [100, 150])
    say('pointermove', 2, [20, 150])
    say('pointerup', 2, [20, 150])
    expect(onSwipe).not.toHaveBeenCalled()
  })

  it('moves what is enlarged with one finger instead of turning the page', () => {
    const { say, onSwipe, view, zoomBy } = hand()
    zoomBy(3)
    say('pointerdown', 1, [300, 100])
    say('pointermove', 1, [200, 100])
    say('pointerup', 1, [200, 100])
    expect(onSwipe).not.toHaveBeenCalled()
    expect(view.value!.shift[0]).toBeCloseTo(-0.25)
  })

  it('turns with the mouse once it is drawn, not where it clicks, and turns no page', () => {
    const { say, onSwipe, view, isMoving } = hand()
    say('pointerdown', 1, [200, 100], 'mouse')
    say('pointermove', 1, [202, 101], 'mouse')
    expect(view.value).toBeNull()
    say('pointermove', 1, [280, 60], 'mouse')
    expect(isMoving.value).toBe(true)
    expect(view.value!.zoom).toBe(1)
    say('pointerup', 1, [280, 60], 'mouse')
    expect(isMoving.value).toBe(false)
    expect(onSwipe).not.toHaveBeenCalled()
  })

  it('hears no swipe where the browser took the finger to scroll', () => {
    const { say, onSwipe } = hand()
    say('pointerdown', 1, [300, 100])
    say('pointercancel', 1, [100, 100])
    expect(onSwipe).not.toHaveBeenCalled()
  })

  it('enlarges where the fingers are', () => {
    const there = pinched(
      turnedViewOf(0),
      [
        [290, 150],
        [310, 150],
      ],
      [
        [280, 150],
        [320, 150],
      ],
      FRAME as DOMRect,
    )
    expect(there.zoom).toBeCloseTo(2)
    // A quarter of the width beside the middle stays a quarter beside it.
    expect(there.shift[0]).toBeCloseTo(-0.25)
  })
})
