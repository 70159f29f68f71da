import { expect, it } from 'vitest'
import { choiceText } from '@core/booklet'
import { countUnanswered, groupLetters, lettersOf, lettersTable, voicesOf } from './letters'
import type { Letter } from './server-client'

const letter = (more: Partial<Letter>): Letter => ({
  questionId: 'q',
  date: '2026-12-01T10:00:00.000Z',
  kind: 'question',
  text: 'How?',
  state: 'private',
  ...more,
})

it('letters stand by step, where most were stuck first, those about the whole last', () => {
  const groups = groupLetters([
    letter({ kind: 'built-it' }),
    letter({ section: 'a', step: 2 }),
    letter({ section: 'b', step: 2 }),
    letter({ section: 'b', step: 2, kind: 'mistake' }),
    letter({ section: 'b', step: 2, kind: 'built-it' }),
  ])
  expect(groups.map(({ section, step, stuck, letters }) => [section, step, stuck, letters.length])).toEqual([
    ['b', 2, 2, 3],
    ['a', 2, 1, 1],
    [undefined, undefined, 0, 1],
  ])
  expect(groupLetters([])).toEqual([])
})

it('only letters that are private still and have no answer wait for one', () => {
  expect(countUnanswered([letter({}), letter({ answer: 'So.' }), letter({ state: 'solved' })])).toBe(1)
})

it('letters as a table run nothing in a spreadsheet', () => {
  const table = lettersTable([letter({ text: '=1+1', section: 'a', step: 3, minutes: 5, answer: 'So.' })])
  expect(table).not.toMatch(/(^|,|")=/m)
  expect(table.split('\n')[1]).toContain(',a,3,,')
})

it('voices for what to make next are counted, not read, and hidden ones are not', () => {
  const all = [
    letter({}),
    letter({ text: choiceText('Mill') }),
    letter({ text: choiceText('Mill'), state: 'hidden' }),
    letter({ text: choiceText('Boat') }),
  ]
  expect(voicesOf(all)).toEqual(['Mill', 'Boat'])
  expect(lettersOf(all)).toHaveLength(1)
  expect(countUnanswered(all)).toBe(1)
})
