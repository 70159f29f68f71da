import { computed, ref, shallowRef } from 'vue'
import type { ProofRun } from '@core/proof-build'
import { plainFault } from '@core/fault'
import { faultText, say } from '../language'
import type { StoredProof } from '../storage/database'
import { useLibrary } from '../storage/open-library'

/** The proof builds of a model, oldest first: kept as they are built. */
export function useProofs(model: string) {
  const all = shallowRef<readonly StoredProof[]>([])
  const isLoaded = ref(false)
  const problem = ref('')
  /** One write after another, the newest last. */
  let last: Promise<void> = Promise.resolve()

  const told = (what: string, work: () => Promise<void>): Promise<void> =>
    (last = last.then(work).then(
      () => void (problem.value = ''),
      (thrown: unknown) => void (problem.value = `${what} ${faultText(plainFault(thrown))}`),
    ))
  const load = (): Promise<void> =>
    told(say('proof.theProofBuildsCouldNot'), async () => {
      all.value = await (await useLibrary()).proofs(model)
      isLoaded.value = true
    })

  /** Shown at once, kept as soon as can be. */
  function keep(proof: StoredProof): void {
    const others = all.value.filter(({ id }) => id !== proof.id)
    all.value = [...others, proof].sort((a, b) => a.run.date.localeCompare(b.run.date))
    void told(say('proof.theProofBuildIsNot'), async () => (await useLibrary()).keepProof(JSON.parse(JSON.stringify(proof)) as StoredProof))
  }
  function begin(): StoredProof {
    const run: ProofRun = { date: new Date().toISOString(), steps: [] }
    const proof = { id: crypto.randomUUID(), model, run, isFinished: false }
    keep(proof)
    return proof
  }
  function remove(id: string): void {
    all.value = all.value.filter((proof) => proof.id !== id)
    void told(say('proof.theProofBuildIsNotTaken'), async () => (await useLibrary()).removeProof(id))
  }
  void load()

  return {
    all,
    isLoaded,
    problem,
    /** One that was begun and not ended. */
    open: computed(() => all.value.find(({ isFinished }) => !isFinished)),
    finished: computed(() => all.value.filter(({ isFinished }) => isFinished)),
    begin,
    keep,
    remove,
  }
}
