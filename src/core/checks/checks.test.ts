import { describe, expect, it } from 'vitest'
import { oneSection, part, twoSections } from '../../../tests/support/models'
import type { ModelDocument } from '../model'
import { ADVICE_IN_ENGLISH } from '../language'
import { hasErrors } from './index'
import { reportModel } from '../pipeline'

const findings = (model: ModelDocument) => reportModel(model).report.findings
const codes = (model: ModelDocument) => findings(model).map((found) => found.code)

describe('checks', () => {
  it('find nothing where nothing is wrong', () => {
    expect(findings(oneSection([part('a', 'plate-2x4', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 4])]))).toEqual([])
  })

  it('overlap: two bodies, and a stud in a body', () => {
    const bodies = oneSection([part('a', 'brick-1x2', [0, 0, 0]), part('b', 'brick-1x2', [10, 0, 0])])
    expect(findings(bodies)[0]).toMatchObject({ code: 'overlap', severity: 'error', section: 'main', parts: ['a', 'b'] })
    expect(codes(oneSection([part('a', 'plate-1x2', [0, 0, 0]), part('b', 'plate-1x2', [5, 0, 4])]))).toContain('overlap')
  })

  it('overlap: names where two copies meet, once', () => {
    const model = twoSections(
      [],
      [
        { id: 'x', section: 'inner', at: [0, 0, 0] },
        { id: 'y', section: 'inner', at: [5, 0, 0] },
      ],
      [part('p', 'brick-1x1', [0, 0, 0]), part('q', 'brick-1x1', [0, 0, 12])],
    )
    const found = findings(model).filter((f) => f.code === 'overlap')
    expect(found).toHaveLength(1)
    expect(found[0]!.message).toContain('x/p')
  })

  it('unheld: what hovers, and what merely stands beside', () => {
    expect(codes(oneSection([part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [0, 0, 40])]))).toContain('unheld')
    expect(codes(oneSection([part('a', 'brick-1x1', [0, 0, 0]), part('b', 'brick-1x1', [10, 0, 0])]))).toEqual(['unheld'])
  })

  it('hidden: what no view of its step shows', () => {
    const box = [
      part('floor', 'plate-4x4', [0, 0, 0]),
      part('in', 'plate-1x1', [10, 10, 4]),
      part('a', 'brick-1x4', [0, 0, 4]),
      part('b', 'brick-1x4', [0, 30, 4]),
      part('c', 'brick-1x2', [0, 10, 4], '+y-x'),
      part('d', 'brick-1x2', [30, 10, 4], '+y-x'),
      part('lid', 'plate-4x4', [0, 0, 16]),
    ]
    const all = oneSection(box, [{ add: box.map((p) => p.id) }])
    const found = findings(all)
    expect(found.map(({ code }) => code)).toEqual(['hidden', 'never-seen'])
    expect(found[0]).toMatchObject({ code: 'hidden', severity: 'warning', step: 1 })
    expect(found[0]!.parts).toContain('in')
    expect(codes(oneSection(box))).toEqual(['never-seen'])
  })

  it('no-mirror-twin: only at the copy that mirrors', () => {
    const own = {
      id: 'hook',
      name: 'Hook',
      boxes: [
        { at: [0, 0, 0], size: [20, 10, 4] },
        { at: [0, 0, 4], size: [10, 10, 4] },
      ],
    } as const
    const model: ModelDocument = {
      ...twoSections([], [{ id: 'r', section: 'inner', at: [0, 0, 0], mirror: 'x' }], [part('h', 'hook', [0, 0, 0])]),
      shapes: [own],
    }
    expect(findings(model)).toEqual([expect.objectContaining({ code: 'no-mirror-twin', section: 'main', parts: ['r'] })])
    const plain: ModelDocument = {
      ...model,
      sections: model.sections.map((s) => ({ ...s, copies: s.copies?.map(({ mirror: _mirror, ...copy }) => copy) ?? [] })),
    }
    expect(findings(plain)).toEqual([])
  })

  it('weak-joint: a heavy group on one stud, named once and weighed', () => {
    const tower = (id: string, x: number) => [0, 1, 2].map((i) => part(`${id}${i}`, 'brick-2x4', [x, 0, i * 12]))
    const model = oneSection([...tower('a', 0), ...tower('b', 50), part('tie', 'plate-1x3', [30, 0, 36])])
    const weak = findings(model).filter((f) => f.code === 'weak-joint')
    expect(weak.map((f) => [f.severity, f.parts])).toEqual([
      ['warning', ['a0', 'a1', 'a2']],
      ['warning', ['b0', 'b1', 'b2']],
    ])
    expect(weak[0]!.message).toMatch(/^“a0”, “a1” and “a2”, \d\.\d g in all, hold to the rest by one stud only\./)
    const tied = oneSection([...tower('a', 0), ...tower('b', 50), part('tie', 'plate-2x3', [30, 0, 36])])
    expect(codes(tied)).not.toContain('weak-joint')
  })

  it('weak-joint: stricter for a journey, and where a builder presses on what hangs', () => {
    // A small arm on one stud: light enough for a shelf, not for a car.
    const arm = oneSection([
      part('foot', 'plate-4x4', [0, 0, 0]),
      part('post', 'brick-1x1', [0, 0, 4]),
      part('bar', 'plate-1x2', [0, 0, 16]),
      ...[20, 32].map((z, i) => part(`top${i}`, 'brick-1x1', [10, 0, z])),
    ])
    const weak = (level: 'home' | 'travel') => reportModel(arm, { level }).report.findings.filter(({ code }) => code === 'weak-joint')
    expect(weak('home')).toEqual([])
    const [found] = weak('travel')
    expect(found!.parts).toEqual(expect.arrayContaining(['bar', 'top0', 'top1']))
  })

  it('straight-seam: three courses without a lap, and none where a brick laps over', () => {
    const wall = (shifted: boolean) => [
      part('base', 'plate-1x8', [0, 0, 0]),
      ...[0, 1, 2].flatMap((i) => {
        const z = 4 + i * 12
        return shifted && i === 1
          ? [part('l1', 'brick-1x2', [0, 0, z]), part('m1', 'brick-1x4', [20, 0, z]), part('r1', 'brick-1x2', [60, 0, z])]
          : [part(`l${i}`, 'brick-1x4', [0, 0, z]), part(`r${i}`, 'brick-1x4', [40, 0, z])]
      }),
    ]
    const seam = findings(oneSection(wall(false))).find((f) => f.code === 'straight-seam')!
    expect(seam.severity).toBe('warning')
    expect([...seam.parts].sort()).toEqual(['l0', 'l1', 'l2', 'r0', 'r1', 'r2'])
    expect(seam.message).toContain('3 courses')
    expect(codes(oneSection(wall(true)))).not.toContain('straight-seam')
  })

  it('tips-over: weight outside the feet, and a model that falls at a touch', () => {
    const leaning = oneSection([part('foot', 'brick-2x2', [0, 0, 0]), part('arm', 'plate-2x16', [0, 0, 12])])
    const found = findings(leaning).find((f) => f.code === 'tips-over')!
    expect(found).toMatchObject({ severity: 'warning', parts: expect.arrayContaining(['arm']) as unknown })
    const mast = oneSection(Array.from({ length: 12 }, (_, i) => part(`p${i}`, 'round-brick-1x1', [0, 0, i * 12])))
    expect(codes(mast)).toContain('tips-over')
    expect(codes(oneSection([part('a', 'plate-4x4', [0, 0, 0]), part('b', 'brick-2x2', [10, 10, 4])]))).toEqual([])
  })

  it('put errors first and tell errors from warnings', () => {
    const model = oneSection([
      part('a', 'brick-1x1', [0, 0, 0]),
      part('b', 'brick-1x1', [10, 0, 0]),
      { id: 'l', shape: 'plate-1x1', colour: 'red' },
    ])
    expect(findings(model).map((f) => f.severity)).toEqual(['error', 'note'])
    expect(hasErrors(findings(model))).toBe(true)
    expect(hasErrors(findings(model).slice(1))).toBe(false)
  })

  it('speak in sentences', () => {
    const nameParts = (parts: string[]): string =>
      ADVICE_IN_ENGLISH.say({ key: 'find.overlap', about: { parts: { parts } } }).replace(/ share.*/, '')
    expect(nameParts(['a'])).toBe('“a”')
    expect(nameParts(['a', 'b', 'c'])).toBe('“a”, “b” and “c”')
    expect(nameParts(['a', 'b', 'c', 'd', 'e', 'f'])).toBe('“a”, “b”, “c”, “d” and 2 more')
  })

  it('measure how a plan reads', () => {
    const row = oneSection([
      part('g', 'plate-2x8', [0, 0, 0]),
      ...Array.from({ length: 8 }, (_, i) => part(`t${i}`, 'tile-1x1', [i * 10, 0, 4])),
    ])
    const { measures } = reportModel(row).report
    expect(measures).toMatchObject({ turnsPer100: 0, likeTogether: 1, poorlyVisible: 0 })
    expect(measures.stepsPer100).toBeGreaterThan(0)
  })
})
