import { ref } from 'vue'
import { readShortLog, type ProofRun } from '@core/proof-build'
import { useLibrary } from '../storage/open-library'
import type { Letter } from './server-client'

/** Proof builds that came as letters: which a letter carries, and which are taken among those of the model already. */
export function useSentBuilds(model: () => string) {
  const taken = ref<ReadonlySet<string>>(new Set())
  const idOf = ({ questionId }: Letter): string => `letter-${questionId}`

  async function look(): Promise<void> {
    const proofs = model() === '' ? [] : await (await useLibrary()).proofs(model())
    taken.value = new Set(proofs.map(({ id }) => id))
  }
  const sentBuild = ({ text }: Letter): ProofRun | undefined => readShortLog(text)

  /** Once only, however often it is asked for. */
  async function take(letter: Letter): Promise<void> {
    const run = sentBuild(letter)
    if (!run) return
    await (await useLibrary()).keepProof({ id: idOf(letter), model: model(), run, isFinished: true })
    await look()
  }
  return { look, sentBuild, take, isTaken: (letter: Letter): boolean => taken.value.has(idOf(letter)) }
}
