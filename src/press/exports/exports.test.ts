import { describe, expect, it } from 'vitest'
import { EXPORTS, exportFor } from './registry'

describe('what a booklet goes out as', () => {
  it('is told by its extension, and each has one of its own', () => {
    for (const each of EXPORTS) expect(exportFor(`Booklet${each.extension.toUpperCase()}`)).toBe(each)
    expect(new Set(EXPORTS.map(({ id }) => id)).size).toBe(EXPORTS.length)
    expect(new Set(EXPORTS.map(({ extension }) => extension)).size).toBe(EXPORTS.length)
  })

  it('is refused by any other, with those that are known', () => {
    expect(() => exportFor('booklet.docx')).toThrow(
      expect.objectContaining({ code: 'unknown-format', wayOut: 'Known: .html, .pdf, .txt, .csv or .zip.' }) as Error,
    )
  })
})
