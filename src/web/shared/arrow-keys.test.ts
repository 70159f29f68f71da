import { expect, it } from 'vitest'
import { arrowWay } from './arrow-keys'

it.each([
  ['ArrowLeft', [-1, 0]],
  ['ArrowRight', [1, 0]],
  ['ArrowUp', [0, -1]],
  ['ArrowDown', [0, 1]],
  ['Enter', undefined],
  ['toString', undefined],
])('%s points %j', (key, way) => {
  expect(arrowWay({ key })).toEqual(way)
})
