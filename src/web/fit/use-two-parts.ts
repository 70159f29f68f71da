import { computed, ref, watch } from 'vue'
import { isLoose, partsOf } from '@core/model'
import { say } from '../language'
import { useOpenModel } from '../stores/open-model'

/** Two parts of one section of the open model, each chosen from a list. */
export function useTwoParts() {
  const open = useOpenModel()
  const section = ref('')
  const first = ref('')
  const second = ref('')
  const sections = computed(() => (open.model?.sections ?? []).map(({ id, name }) => ({ value: id, label: name })))
  const parts = computed(() => {
    const found = open.model?.sections.find(({ id }) => id === section.value)
    return found ? partsOf(found).filter((part) => !isLoose(part)) : []
  })
  watch(sections, (all) => (section.value = all.some(({ value }) => value === section.value) ? section.value : (all[0]?.value ?? '')), {
    immediate: true,
  })
  const partOptions = computed(() => [
    { value: '', label: say('fit.chooseAPart') },
    ...parts.value.map(({ id }) => ({ value: id, label: id })),
  ])
  return { section, first, second, sections, parts, partOptions }
}
