import { ref, type Ref } from 'vue'
import { plainFault } from '@core/fault'
import { faultText } from '../language'
import type { Library, StoredModel } from '../storage/library'
import { useLibrary } from '../storage/open-library'
import type { ShelfDescriber } from './shelf-describer'

interface Shelved {
  readonly models: Readonly<Ref<readonly StoredModel[]>>
  readonly problem: Ref<string>
  readonly refresh: () => Promise<void>
}

/** The quiet work of planning and picturing what stands on the shelf without a picture, one model after another. */
export function useDescribing({ models, problem, refresh }: Shelved) {
  /** Name of the model being looked at, and how far. */
  const working = ref<{ name: string; fraction: number } | null>(null)
  let describer: ShelfDescriber | undefined
  /** The shelf is on the screen. */
  let isOpen = false

  /** What plans and paints comes when the shelf can be read. */
  async function makeDescriber(): Promise<ShelfDescriber> {
    const [{ ShelfDescriber }, library] = await Promise.all([import('./shelf-describer'), useLibrary()])
    return new ShelfDescriber(library)
  }

  /** What the build has found out of the demos comes first, in one go. */
  async function begin(library: Library): Promise<void> {
    if (models.value.some(({ demo, describedAt }) => demo !== undefined && describedAt === undefined)) {
      const { describeDemos } = await import('./demos')
      if (await describeDemos(library, models.value).catch(() => false)) await refresh()
    }
    await next()
  }

  /** Looks at the next model whose picture is missing or of another revision, and so on. */
  async function next(): Promise<void> {
    if (working.value || !isOpen) return
    const stored = models.value.find((each) => each.describedAt !== each.revision)
    if (!stored) return
    working.value = { name: stored.name, fraction: 0 }
    try {
      describer ??= await makeDescriber()
      // The shelf was left meanwhile.
      if (!isOpen) return stop()
      const isTold = await describer.describe(stored, (fraction) => {
        if (working.value) working.value = { name: stored.name, fraction }
      })
      if (!isTold) return
      await refresh()
    } catch (thrown) {
      problem.value = `${stored.name}: ${faultText(plainFault(thrown))}`
      return
    } finally {
      working.value = null
    }
    void next()
  }

  /** Ends the looking; models without a picture are looked at when the shelf is opened again. */
  function stop(): void {
    describer?.close()
    describer = undefined
  }

  function open(): void {
    isOpen = true
  }

  function close(): void {
    isOpen = false
    stop()
    working.value = null
  }

  return { working, begin, next, stop, open, close }
}
