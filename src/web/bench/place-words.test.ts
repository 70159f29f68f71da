import { describe, expect, it } from 'vitest'
import { placeWords } from './place-words'

describe('a place as people count it', () => {
  it('is in studs and plates, one plate alone and parts of one too', () => {
    expect(placeWords([360, 180, 4])).toBe('36 to the right, 18 to the back, 1 plate up')
    expect(placeWords([-5, 0, 8])).toBe('-0.5 to the right, 0 to the back, 2 plates up')
    expect(placeWords([0, 0, 0])).toBe('0 to the right, 0 to the back, 0 plates up')
    expect(placeWords([0, 0, 6])).toBe('0 to the right, 0 to the back, 1.5 plates up')
  })
})
