import { describe, expect, it } from 'vitest'
import { Fault, faultLine, plainFault } from './fault'

describe('faults', () => {
  it('carry code, sentence, place and way out through data', () => {
    const fault = new Fault('too-long', 'The name is too long.', { place: 'name', wayOut: 'Shorten it.' })
    expect(plainFault(fault)).toEqual({ code: 'too-long', message: 'The name is too long.', place: 'name', wayOut: 'Shorten it.' })
    expect(faultLine(plainFault(fault))).toBe('The name is too long. (at name) Shorten it.')
  })

  it('take anything thrown', () => {
    expect(plainFault(new Error('boom'))).toEqual({ code: 'unexpected', message: 'boom' })
    expect(plainFault('boom')).toEqual({ code: 'unexpected', message: 'boom' })
  })
})
