import fc from 'fast-check'
import { expect, it } from 'vitest'
import { hangingMobiles } from '../../../bench/hostile'
import { reportModel } from '../pipeline'
import { replay } from '../replay'

it('chains that hang from one sky are built one after another, and none lies about for long', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 24 }), (count, chain) => {
      const model = hangingMobiles(count, chain)
      const { report } = reportModel(model)
      expect(report.findings.filter(({ severity }) => severity === 'error')).toEqual([])
      expect(replay(model, report)).toEqual([])
    }),
    { numRuns: 40 },
  )
})
