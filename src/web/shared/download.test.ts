import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { fileName } from './download'

describe('a file name', () => {
  it.each([
    ['Granary', '.pdf', 'granary.pdf'],
    ['The ferry house, 2nd try!', '.rail.json', 'the-ferry-house-2nd-try.rail.json'],
    ['Мельница', '.csv', 'мельница.csv'],
    ['../../etc/passwd', '.csv', 'etc-passwd.csv'],
    ['', '.csv', 'model.csv'],
    ['***', '.csv', 'model.csv'],
  ])('of “%s” and %s is %s', (name, extension, file) => expect(fileName(name, extension)).toBe(file))

  it('never holds what leads elsewhere or what a system refuses', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 60 }), (name) => {
        expect(fileName(name, '.csv')).toMatch(/^[\p{L}\p{N}]+(-[\p{L}\p{N}]+)*\.csv$/u)
      }),
    )
  })
})
