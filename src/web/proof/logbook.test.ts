import { expect, test } from 'vitest'
import { entriesByDay, logEntries, logTable } from './logbook'

const day = (n: number): number => Date.UTC(2026, 10, n, 9)
const sources = {
  changes: [{ label: 'bring it in' }, { label: 'split B 07', at: day(2) }, { label: '=HYPERLINK("x")', at: day(4) }],
  proofs: [
    {
      id: 'p',
      model: 'm',
      isFinished: true,
      run: {
        date: new Date(day(3)).toISOString(),
        steps: [{ section: 'a', step: 1, seconds: 65, mistakes: 0, missing: 0, left: 0, note: '', backs: 0 }],
      },
    },
    { id: 'q', model: 'm', isFinished: false, run: { date: new Date(day(5)).toISOString(), steps: [] } },
  ],
  publications: [{ id: 'b', model: 'm', ownerToken: 'secret', name: 'House', publishedAt: day(4) + 1, version: 2 }],
  letters: [{ questionId: 'x', date: new Date(day(6)).toISOString(), state: 'private', kind: 'mistake', text: 'It does not fit' } as const],
}

test('what was done stands in one row, the newest first; what has no time last', () => {
  const entries = logEntries(sources)
  expect(entries.map(({ kind, what }) => [kind, what])).toEqual([
    ['letter', expect.stringContaining('It does not fit')],
    ['published', 'version 2'],
    ['edit', '=HYPERLINK("x")'],
    ['proof', '1 step in 1:05'],
    ['edit', 'split B 07'],
    ['edit', 'bring it in'],
  ])
  expect(entriesByDay(entries, (at) => new Date(at).toISOString().slice(8, 10), 2)).toEqual([
    { label: '04', value: 2 },
    { label: '06', value: 1 },
  ])
})

test('the table of it runs in no spreadsheet, and holds no key', () => {
  const table = logTable(logEntries(sources))
  expect(table).toContain("'=HYPERLINK")
  expect(table).not.toContain('secret')
  expect(table.trim().split('\n')).toHaveLength(7)
})
