import { logOfProof, proofOfLog, readLog, writeLog } from '@core/durations'
import type { ProofRun } from '@core/proof-build'
import type { StoredProof } from '../storage/database'
import type { Library } from '../storage/library'

/** A proof build in a backup: its model by its place there, since ids are new on each shelf. */
interface BackedUpProof {
  readonly model: number
  readonly isFinished: boolean
  /** As a log of building, which is read as strictly as any other. */
  readonly log: string
  /** How often each step of it was gone back to, which logs do not tell. */
  readonly backs: readonly number[]
}

/** The proof builds of all models of a shelf. */
export async function proofsOf(library: Pick<Library, 'proofs'>, models: readonly { readonly id: string }[]): Promise<BackedUpProof[]> {
  const all: BackedUpProof[] = []
  for (const [model, { id }] of models.entries()) {
    for (const { run, isFinished } of await library.proofs(id))
      all.push({ model, isFinished, log: writeLog([logOfProof(run)]), backs: run.steps.map(({ backs }) => backs) })
  }
  return all
}

/** Puts proof builds beside the models that came with them; what cannot be read is left out. @param models ids, in the order of the backup */
export async function restoreProofs(library: Pick<Library, 'keepProof'>, settings: unknown, models: readonly string[]): Promise<void> {
  const { proofs } = (settings ?? {}) as { proofs?: unknown }
  if (!Array.isArray(proofs)) return
  for (const each of proofs as unknown[]) {
    const proof = proofIn(each, models)
    if (proof) await library.keepProof(proof)
  }
}

function proofIn(value: unknown, models: readonly string[]): StoredProof | undefined {
  const { model, isFinished, log, backs } = (value ?? {}) as Partial<Record<keyof BackedUpProof, unknown>>
  const id = models[Number(model)]
  if (id === undefined || typeof log !== 'string') return undefined
  const run = runIn(log)
  if (!run) return undefined
  const counts = Array.isArray(backs) ? backs.map((count: unknown) => Math.max(0, Math.floor(Number(count)) || 0)) : []
  const steps = run.steps.map((step, i) => ({ ...step, backs: counts[i] ?? 0 }))
  return { id: crypto.randomUUID(), model: id, run: { ...run, steps }, isFinished: isFinished === true }
}

function runIn(log: string): ProofRun | undefined {
  try {
    const [run] = readLog(log)
    return run && proofOfLog(run)
  } catch {
    return undefined
  }
}
