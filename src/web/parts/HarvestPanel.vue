<script setup lang="ts">
import type { Catalogue } from '@core/catalogue'
import { harvestFrom, pieceLine, piecesIn, type DeskPiece, type Harvest } from '@core/desk'
import { faultText, say, sayCount, screenWords } from '../language'
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
  told: (fault) => say('parts.theShelfCouldNotBe', { fault: faultText(fault) }),
})
const words = (piece: DeskPiece): string => pieceLine(piece, props.catalogue, screenWords())
</script>

<template>
  <section v-if="missing.length > 0" :aria-label="say('parts.outOfOtherModels')" class="harvest">
    <h2>{{ say('parts.outOfOtherModels') }}</h2>
    <p v-if="!found">
      <ActionButton :disabled="isLooking" @click="look">{{ say('parts.lookThroughTheShelf') }}</ActionButton>
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="found && found.length === 0" role="status">{{ say('parts.noneOfYourOtherModels') }}</p>
    <details v-for="each in found ?? []" :key="each.name">
      <summary>
        <b>{{ each.name }}</b> {{ say('parts.couldGiveOfIts', { pieces: sayCount('count.pieces', piecesIn(each.gives)), of: each.of }) }}
      </summary>
      <p>{{ say('parts.itWouldBreak', { breaks: screenWords().list(each.breaks) }) }}</p>
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
