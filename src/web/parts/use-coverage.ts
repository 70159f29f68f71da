import { computed, ref } from 'vue'
import { cover, kitsHad, needOf } from '@core/desk'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'
import { shownCatalogue } from '../shared/shown-catalogue'

export const MOST_COPIES = 1000

/** For how many models is reckoned: the same on all sheets of the desk. */
const copies = ref(1)

/** What so many models take, and what of it is there. */
export function useCoverage() {
  const open = useOpenModel()
  const store = useBooks()
  void store.load()
  const wholeCopies = computed(() => Math.min(MOST_COPIES, Math.max(1, Math.round(copies.value) || 1)))
  const need = computed(() => (open.shown ? needOf(open.shown, wholeCopies.value) : []))
  const had = computed(() => kitsHad(store.books))
  const coverage = computed(() => cover(need.value, store.books.stock, had.value))
  const catalogue = computed(() => open.source?.catalogue ?? shownCatalogue())
  return { copies, wholeCopies, need, had, coverage, catalogue }
}
