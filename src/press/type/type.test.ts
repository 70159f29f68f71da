import { PDFDocument } from '@cantoo/pdf-lib'
import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { packagedFont } from '../../../tests/support/packaged-fonts'
import { turnedAround, visualOrder } from './direction'
import { facesFor, lettersIn, mayLackLetters } from './faces'
import { lettersWithoutFace } from './lacking'
import { breakLines, fit } from './lines'
import { loadTypefaces } from './load'
import type { Typeface } from './typeface'

describe('lines', () => {
  const upTo = (most: number) => (line: string) => [...line].length <= most

  it('break at spaces, and no line is longer than it may be, whatever the text', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme-composite', maxLength: 80 }), fc.integer({ min: 8, max: 20 }), (text, most) => {
        const fits = (line: string): boolean => line.length <= most
        const lines = breakLines(text, fits)
        // One letter that is made of many marks has a line of its own.
        for (const line of lines) if (!fits(line)) expect([...new Intl.Segmenter('en').segment(line)]).toHaveLength(1)
        expect(lines.join('').replace(/\s/g, '')).toBe(text.replace(/\s/g, ''))
      }),
    )
  })

  it('cut a word that is longer than a line', () => {
    expect(breakLines('a tremendous tower', upTo(6))).toEqual(['a', 'tremen', 'dous', 'tower'])
  })

  it('break between letters of scripts that have no spaces, never before what closes', () => {
    expect(breakLines('渡船の家、北', upTo(4))).toEqual(['渡船の', '家、北'])
  })
})

describe('faces', () => {
  it('are loaded only where a letter needs them', () => {
    const latin = (letter: string): boolean => letter < '\u0180'
    expect(facesFor(new Set('Mill 12'), latin)).toEqual([])
    expect(facesFor(lettersIn({ a: ['Жук', { b: 'שלום' }], picture: 'data:木' }), latin)).toEqual(['greek-cyrillic', 'hebrew'])
    expect(facesFor(new Set('木\u200d'), latin)).toEqual(['han'])
    expect(facesFor(new Set('한강, 漢江'), latin)).toEqual(['han', 'hangul'])
  })

  it('tell which letters none of them has', async () => {
    expect(mayLackLetters(['Mill', 'Мельница', 'φάρος'])).toBe(false)
    expect(mayLackLetters(['Fox 🦊'])).toBe(true)
    expect(await lettersWithoutFace(['Fox 🦊 Жук', '木 שלום ش', '한 ก'], packagedFont)).toEqual(['🦊', 'ก'])
  })
})

describe('direction', () => {
  it('puts stretches in the order in which they are seen', () => {
    const order = (levels: readonly number[]): number[] => visualOrder(levels.map((level, at) => ({ level, at }))).map(({ at }) => at)
    expect(order([0, 1, 0])).toEqual([0, 1, 2])
    expect(order([1, 2, 1])).toEqual([2, 1, 0])
    expect(order([1, 2, 2, 1, 0])).toEqual([3, 1, 2, 0, 4])
  })

  it('mirrors brackets, and turns around what no font does', () => {
    expect(turnedAround(' (')).toBe(') ')
    expect(turnedAround('(ab')).toBe('ba)')
    expect(turnedAround('(א')).toBe(')א')
  })
})

describe('a typeface', () => {
  let regular: Typeface
  beforeAll(async () => {
    ;({ regular } = await loadTypefaces(await PDFDocument.create(), packagedFont, new Set('Мטש木')))
  })

  it('sets each letter in the first font that has it, stretch beside stretch', () => {
    const { runs, width, isRightToLeft } = regular.set('Mill Мир 木', 10)
    expect(runs.map(({ text }) => text)).toEqual(['Mill ', 'Мир ', '木'])
    expect(new Set(runs.map(({ font }) => font)).size).toBe(3)
    runs.slice(1).forEach(({ x }, i) => expect(x).toBeCloseTo(runs[i]!.x + runs[i]!.font.widthOfTextAtSize(runs[i]!.text, 10)))
    expect(width).toBeGreaterThan(runs[2]!.x)
    expect(isRightToLeft).toBe(false)
  })

  it('sets a line that reads from right to left with its first word at the right, and numbers as they are', () => {
    const { runs, isRightToLeft } = regular.set('טחנת 12 רוח', 10)
    expect(isRightToLeft).toBe(true)
    expect(runs.map(({ text }) => text.trim()).filter((text) => text !== '')).toEqual(['רוח', '12', 'טחנת'])
  })

  it('cuts what is too wide between letters, not inside one', () => {
    const cut = fit('Mill 👩‍🚀 house', regular, 10, 30)
    expect(cut.endsWith('…')).toBe(true)
    expect(regular.widthOf(cut, 10)).toBeLessThanOrEqual(30)
    expect(fit('Mill', regular, 10, 300)).toBe('Mill')
  })
})
