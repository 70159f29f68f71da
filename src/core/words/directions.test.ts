import { describe, expect, it } from 'vitest'
import { DIRECTION_TEXTS, DIRECTIONS } from '../space'
import { fromWords, towardsWords } from './directions'

describe('directions in words', () => {
  it('name the side and the way of each direction, y going away from the reader', () => {
    const words = Object.fromEntries(DIRECTIONS.map((d) => [DIRECTION_TEXTS[d]!, [fromWords(d), towardsWords(d)]]))
    expect(words['+x']).toEqual(['from the right', 'to the right'])
    expect(words['+y']).toEqual(['from behind', 'backward'])
    expect(words['-y']).toEqual(['from the front', 'forward'])
    expect(words['+z']).toEqual(['from above', 'upward'])
  })
  it('are all told apart', () => {
    expect(new Set(DIRECTIONS.map((d) => fromWords(d))).size).toBe(6)
    expect(new Set(DIRECTIONS.map((d) => towardsWords(d))).size).toBe(6)
  })
})
