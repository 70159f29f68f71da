import { computed, ref, shallowRef, watch, type ShallowRef, type Ref, type WatchSource } from 'vue'
import { plainFault, type PlainFault } from '@core/fault'
import { faultText } from '../language'

interface AskedSearch<T> {
  /** What the answer rests on: where it changes, an answer is no longer shown, and a search under way begins anew. */
  readonly basis: readonly WatchSource[]
  readonly find: () => Promise<T>
  /** Ends a search under way. */
  readonly stop?: () => void
  /** A fault in words; by itself the fault's own, and nothing where it was stopped. */
  readonly told?: (fault: PlainFault) => string
}

const faultWords = (fault: PlainFault): string => (fault.code === 'stopped' ? '' : faultText(fault))

/** What is looked for when asked, shown until what it rests on changes. */
export function useFound<T>({ basis, find, stop, told = faultWords }: AskedSearch<T>) {
  const found: ShallowRef<T | null> = shallowRef(null)
  const problem: Ref<string> = ref('')
  /** The number of the search under way; 0 where there is none. */
  const underWay = ref(0)
  let last = 0

  async function look(): Promise<void> {
    const search = (underWay.value = last += 1)
    problem.value = ''
    found.value = null
    try {
      const answer = await find()
      if (underWay.value === search) found.value = answer
    } catch (thrown) {
      if (underWay.value === search) problem.value = told(plainFault(thrown))
    }
    if (underWay.value === search) underWay.value = 0
  }

  watch([...basis], () => {
    found.value = null
    problem.value = ''
    if (underWay.value === 0) return
    underWay.value = 0
    stop?.()
    void look()
  })
  return { found, problem, isLooking: computed(() => underWay.value > 0), look }
}
