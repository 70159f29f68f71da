import fc from 'fast-check'
import { expect, it } from 'vitest'
import { reportModel } from '../checks'
import type { ModelDocument, Part } from '../model'
import { replay } from '../replay'

const brick = (id: string, shape: string, at: readonly [number, number, number]): Part => ({ id, shape, colour: 'sand', at })

/** Plates in a square, each with a chain of bricks hanging from it, tied by plates above: nothing holds two chains but what comes last. */
function mobiles(count: number, chain: number): ModelDocument {
  const across = Math.ceil(Math.sqrt(count))
  const placeOf = (m: number): [number, number] => [(m % across) * 40, Math.floor(m / across) * 40]
  const hanging = Array.from({ length: count }, (_, m): Part[] => {
    const [x, y] = placeOf(m)
    const bricks = Array.from({ length: chain }, (_, k) => brick(`b${m}.${k}`, 'round-brick-1x1', [x + 10, y + 10, 400 - (k + 1) * 12]))
    return [brick(`sky${m}`, 'plate-4x4', [x, y, 400]), ...bricks]
  })
  const ties = Array.from({ length: count }, (_, m): Part[] => {
    const [x, y] = placeOf(m)
    return [
      ...((m + 1) % across !== 0 && m + 1 < count ? [brick(`across${m}`, 'plate-2x2', [x + 30, y + 10, 404])] : []),
      ...(m + across < count ? [brick(`along${m}`, 'plate-2x2', [x + 10, y + 30, 404])] : []),
    ]
  })
  const parts = [...hanging, ...ties].flat()
  return { format: 'jump-rail-model', version: 1, name: 'Mobiles', root: 'm', sections: [{ id: 'm', name: 'All', parts }] }
}

it('chains that hang from one sky are built one after another, and none lies about for long', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 24 }), (count, chain) => {
      const model = mobiles(count, chain)
      const { report } = reportModel(model)
      expect(report.findings.filter(({ severity }) => severity === 'error')).toEqual([])
      expect(replay(model, report)).toEqual([])
    }),
    { numRuns: 40 },
  )
})
