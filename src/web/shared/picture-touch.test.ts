import { expect, it } from 'vitest'
import { placeInPicture, shareOf } from './picture-touch'

const element = { getBoundingClientRect: () => new DOMRect(100, 50, 400, 400) }
const SIZE = { width: 800, height: 600 }

it('tells where a pointer is in an element, and in a picture that stands in its middle', () => {
  expect(shareOf({ clientX: 200, clientY: 450 }, element)).toEqual([0.25, 1])
  // 800 × 600 in 400 × 400: half as large, 50 px of paper above and below.
  expect(placeInPicture({ clientX: 100, clientY: 100 }, element, SIZE)).toEqual([0, 0])
  expect(placeInPicture({ clientX: 500, clientY: 400 }, element, SIZE)).toEqual([800, 600])
  expect(placeInPicture({ clientX: 300, clientY: 60 }, element, SIZE)[1]).toBe(-80)
})
