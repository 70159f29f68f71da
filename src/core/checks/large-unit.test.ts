import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import { subjectOf } from '../../../tests/support/subjects'
import { planModel, type BuiltSection } from '../plan'
import { cutOut } from '../edits'
import { reportModel } from '../pipeline'
import { waysOut } from './index'
import { largeUnit } from './large-unit'
import { ADVICE_IN_ENGLISH } from '../language'

/** A floor of plates that lap over each other, 4 studs a piece. */
const strip = (length: number) => [
  ...Array.from({ length }, (_, i) => part(`low${i}`, 'plate-2x4', [i * 40, 0, 0])),
  ...Array.from({ length: length - 1 }, (_, i) => part(`lap${i}`, 'plate-2x4', [20 + i * 40, 0, 4])),
]

const planned = (parts: Parameters<typeof oneSection>[0]): BuiltSection => planModel(oneSection(parts)).built[0]!

/** Something that reaches lower than the strip, so that it does not lie on the table. */
const whole = planned([part('foot', 'plate-2x2', [0, 0, -4])])

/** The same, planned as if it were a unit of another section. */
const asUnit = (length: number): BuiltSection => ({ ...planned(strip(length)), id: 'main~1', derivedFrom: 'main' })

it('a unit too long for a hand becomes a section with one click', () => {
  const [told] = largeUnit.find(subjectOf(asUnit(7), whole))
  const message = ADVICE_IN_ENGLISH.say(told!.said)
  const found = { ...told!, message, code: largeUnit.code, severity: largeUnit.severity, section: 'main~1' }
  expect(found.message).toContain('13 parts, 22 cm long')
  const model = oneSection([...strip(7), part('mast', 'brick-2x2', [20, 0, 8])])
  const [way] = waysOut(model, found)
  const cut = way!.change(model)
  expect(cut.sections.map((section) => [section.id, section.parts!.length, section.copies?.length ?? 0])).toEqual([
    ['main', 1, 1],
    ['main-unit-1', 13, 0],
  ])
  expect(reportModel(cut).report.findings.filter((finding) => finding.severity === 'error')).toEqual([])
})

it('a small unit, and one that lies on the table, is left as it is', () => {
  expect(largeUnit.find(subjectOf(asUnit(3), whole))).toEqual([])
  expect(largeUnit.find(subjectOf(asUnit(7), planned(strip(1))))).toEqual([])
})

it('what is cut out is joined where its last part was added', () => {
  const parts = [part('a', 'plate-2x2', [0, 0, 0]), part('b', 'plate-2x2', [0, 0, 4]), part('c', 'plate-2x2', [0, 0, 8])]
  const given = oneSection(parts, [{ add: ['a'], note: 'first' }, { add: ['b'] }, { add: ['c'] }])
  const cut = cutOut({ ...given, sections: [{ ...given.sections[0]!, places: [{ name: 'Lid', part: 'b' }] }] }, 'main', ['a', 'b'], 'Foot')
  expect(cut.sections[0]!.steps).toEqual([{ join: ['main-unit-1'] }, { add: ['c'] }])
  expect(cut.sections[0]!.places).toBeUndefined()
  expect(cut.sections[1]).toMatchObject({ name: 'Foot', places: [{ name: 'Lid', part: 'b' }] })
})
