import { describe, expect, it } from 'vitest'
import { CORPUS } from './corpus'
import { codesOf } from './confusion'

describe.each(CORPUS.map((specimen) => [specimen.name, specimen] as const))('%s', (_name, { model, codes }) => {
  it(codes.length === 0 ? 'is without fault' : codes.join(', '), () => {
    expect(codesOf(model)).toEqual([...codes].sort())
  })
})
