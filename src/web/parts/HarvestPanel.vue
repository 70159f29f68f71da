<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { harvestFrom, pieceLine, piecesIn, type DeskPiece, type Harvest } from '@core/desk'
import { faultLine, plainFault } from '@core/fault'
import { listInWords, plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import { useLibrary } from '../storage/open-library'
import { useOpenModel } from '../stores/open-model'

/** What the other models on the shelf could give of what is missing, and what that would break. */
const props = defineProps<{ missing: readonly DeskPiece[]; catalogue: Catalogue }>()
const open = useOpenModel()
const found = shallowRef<readonly Harvest[] | null>(null)
const isLooking = ref(false)
const problem = ref('')
watch(
  () => JSON.stringify(props.missing),
  () => {
    found.value = null
  },
)

async function look(): Promise<void> {
  isLooking.value = true
  problem.value = ''
  const { missing } = props
  try {
    const library = await useLibrary()
    const others = (await library.list()).filter(({ id }) => id !== open.id)
    const models = []
    for (const { id } of others) models.push((await library.open(id)).state.model)
    if (missing === props.missing) found.value = harvestFrom(missing, models)
  } catch (thrown) {
    problem.value = `The shelf could not be looked through. ${faultLine(plainFault(thrown))}`
  }
  isLooking.value = false
}
const words = (piece: DeskPiece): string => pieceLine(piece, props.catalogue)
</script>

<template>
  <section v-if="missing.length > 0" aria-label="Out of other models" class="harvest">
    <h2>Out of other models</h2>
    <p v-if="!found">
      <ActionButton :disabled="isLooking" @click="look">Look through the shelf</ActionButton>
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="found && found.length === 0" role="status">None of your other models has what is missing.</p>
    <details v-for="each in found ?? []" :key="each.name">
      <summary>
        <b>{{ each.name }}</b> could give {{ plural(piecesIn(each.gives), 'piece') }} of its {{ each.of }}.
      </summary>
      <p>It would break {{ listInWords(each.breaks) }}.</p>
      <ul>
        <li v-for="piece in each.gives" :key="words(piece)">{{ words(piece) }}</li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 22px;
}
summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
  overflow-wrap: anywhere;
}
</style>
