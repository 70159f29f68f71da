import { describe, expect, it } from 'vitest'
import { Fault, faultLine, placedWithin, plainFault } from './fault'

describe('faults', () => {
  it('carry code, sentence, place and way out through data', () => {
    const fault = new Fault('too-long', 'The name is too long.', { place: 'name', wayOut: 'Shorten it.' })
    expect(plainFault(fault)).toEqual({ code: 'too-long', message: 'The name is too long.', place: 'name', wayOut: 'Shorten it.' })
    expect(faultLine(plainFault(fault))).toBe('The name is too long. (at name) Shorten it.')
  })

  it('say their place from the top of what they stand in', () => {
    const at = (place?: string) => () => {
      throw new Fault('too-long', 'It is too long.', place === undefined ? {} : { place })
    }
    expect(() => placedWithin('bundle', at('name'))).toThrow(expect.objectContaining({ place: 'bundle.name' }))
    expect(() => placedWithin('bundle', at())).toThrow(expect.objectContaining({ place: 'bundle' }))
    expect(() =>
      placedWithin('bundle', () => {
        throw new RangeError('other')
      }),
    ).toThrow(RangeError)
  })

  it('take anything thrown', () => {
    expect(plainFault(new Error('boom'))).toEqual({ code: 'unexpected', message: 'boom' })
    expect(plainFault('boom')).toEqual({ code: 'unexpected', message: 'boom' })
  })
})
