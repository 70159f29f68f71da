import { describe, expect, it } from 'vitest'
import type { ProofRun } from '@core/proof-build'
import type { StoredProof } from '../storage/database'
import { proofsOf, restoreProofs } from './backup-proofs'

const run: ProofRun = {
  date: '2026-11-28T10:00:00.000Z',
  steps: [
    { section: 'roof', step: 1, seconds: 40, mistakes: 1, missing: 0, left: 2, note: 'Which way?', backs: 3 },
    { section: 'roof', step: 2, seconds: 12, mistakes: 0, missing: 0, left: 0, note: '', backs: 0 },
  ],
}

describe('proof builds in a backup', () => {
  it('come back beside their models, step by step, under the ids of the new shelf', async () => {
    const there: StoredProof[] = [{ id: 'p', model: 'b', run, isFinished: true }]
    const packed = await proofsOf({ proofs: (id) => Promise.resolve(there.filter(({ model }) => model === id)) }, [
      { id: 'a' },
      { id: 'b' },
    ])
    const kept: StoredProof[] = []
    const shelf = { keepProof: (proof: StoredProof) => Promise.resolve(void kept.push(proof)) }
    await restoreProofs(shelf, JSON.parse(JSON.stringify({ proofs: packed })), ['new a', 'new b'])
    expect(kept).toMatchObject([{ model: 'new b', run, isFinished: true }])
  })

  it('are left out where they cannot be read, and earlier backups have none', async () => {
    const kept: StoredProof[] = []
    const shelf = { keepProof: (proof: StoredProof) => Promise.resolve(void kept.push(proof)) }
    const bad = [
      null,
      7,
      { model: 0 },
      { model: 9, log: '{}' },
      { model: 0, log: 'no json' },
      { model: 0, log: '{"format":"jump-rail-log"}' },
    ]
    await restoreProofs(shelf, { proofs: bad }, ['a'])
    await restoreProofs(shelf, { proofs: 'none' }, ['a'])
    await restoreProofs(shelf, undefined, ['a'])
    expect(kept).toEqual([])
  })
})
