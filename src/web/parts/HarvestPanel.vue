<script setup lang="ts">
import type { Catalogue } from '@core/catalogue'
import { harvestFrom, pieceLine, piecesIn, type DeskPiece, type Harvest } from '@core/desk'
import { faultLine } from '@core/fault'
import { listInWords, plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import { useLibrary } from '../storage/open-library'
import { useOpenModel } from '../stores/open-model'
import { useFound } from './use-found'

/** What the other models on the shelf could give of what is missing, and what that would break. */
const props = defineProps<{ missing: readonly DeskPiece[]; catalogue: Catalogue }>()
const open = useOpenModel()
const { found, problem, isLooking, look } = useFound<readonly Harvest[]>({
  basis: [(): string => JSON.stringify(props.missing)],
  async find() {
    const library = await useLibrary()
    const others = (await library.list()).filter(({ id }) => id !== open.id)
    const models = []
    for (const { id } of others) models.push((await library.open(id)).state.model)
    return harvestFrom(props.missing, models)
  },
  told: (fault) => `The shelf could not be looked through. ${faultLine(fault)}`,
})
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
