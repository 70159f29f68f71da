<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { faultLine, plainFault } from '@core/fault'
import { csvLosses, writeCsv, writeModelText } from '@core/formats'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { download, fileName } from '../shared/download'
import { notify } from '../shared/notices'
import WordMark from '../shared/WordMark.vue'
import type { StoredModel } from '../storage/library'
import { useShelf } from '../stores/shelf'
import ShelfPlace from './ShelfPlace.vue'

const shelf = useShelf()
const router = useRouter()
const picker = ref<HTMLInputElement>()
const isOver = ref(false)
const isReading = ref(false)
const total = computed(() => shelf.models.length)

onMounted(() => void shelf.load())
onUnmounted(() => shelf.close())

async function bring(files: FileList | null | undefined): Promise<void> {
  for (const file of files ?? []) {
    isReading.value = true
    try {
      const stored = await shelf.importFile(file)
      notify(`“${stored.name}” stands on the shelf.`, {
        act: { label: 'Open', run: () => void router.push({ name: 'rail', params: { id: stored.id } }) },
      })
    } catch (thrown) {
      notify(`“${file.name}” was not brought in, and nothing has changed. ${faultLine(plainFault(thrown))}`, { isError: true })
    } finally {
      isReading.value = false
    }
  }
  if (picker.value) picker.value.value = ''
}

function drop(event: DragEvent): void {
  isOver.value = false
  void bring(event.dataTransfer?.files)
}

async function remove(stored: StoredModel): Promise<void> {
  await shelf.remove(stored.id)
  notify(`“${stored.name}” was taken off the shelf.`, { act: { label: 'Undo', run: () => void shelf.restore(stored.id) } })
}

async function duplicate(stored: StoredModel): Promise<void> {
  await shelf.duplicate(stored)
  notify(`A copy of “${stored.name}” stands on the shelf.`)
}

function save(stored: StoredModel, kind: 'file' | 'table'): void {
  if (kind === 'file') download(fileName(stored.name, '.rail.json'), writeModelText(stored.model), 'application/json')
  else {
    download(fileName(stored.name, '.csv'), writeCsv(stored.model), 'text/csv')
    const losses = csvLosses(stored.model)
    if (losses.length > 0) notify(`The table cannot hold ${losses.join(', ')}. Keep the model file too.`)
  }
}
</script>

<template>
  <div class="shelf-screen" @dragover.prevent="isOver = true" @dragleave.self="isOver = false" @drop.prevent="drop">
    <header>
      <WordMark />
      <nav aria-label="Tools" class="tools">
        <RouterLink :to="{ name: 'catalogue' }">Catalogue</RouterLink>
        <RouterLink :to="{ name: 'fit' }">Fit</RouterLink>
      </nav>
      <ActionButton primary :disabled="isReading" @click="picker?.click()">{{ isReading ? 'Reading…' : 'Bring in a model' }}</ActionButton>
      <input
        ref="picker"
        class="sr-only"
        type="file"
        accept=".json,.csv"
        multiple
        tabindex="-1"
        aria-label="Model files to bring in"
        @change="bring(($event.target as HTMLInputElement).files)"
      />
    </header>
    <main>
      <h1>Shelf</h1>
      <p class="faint">
        {{ total }} {{ total === 1 ? 'model' : 'models' }}. Bring in a <b>.rail.json</b> or <b>.csv</b> file by the button, or drop it here.
        Everything stays in this browser.
      </p>
      <WorkBar
        v-if="shelf.working"
        :label="`Looking at ${shelf.working.name}`"
        :fraction="shelf.working.fraction"
        class="working"
        @stop="shelf.stop()"
      />
      <p v-if="shelf.problem" role="alert">{{ shelf.problem }}</p>
      <p v-if="!shelf.isLoaded" role="status">Opening the shelf…</p>
      <div v-else-if="total === 0" class="empty">
        <h2>The shelf is empty</h2>
        <p>Bring in a finished model, and its rail is laid for you: steps, pieces, pictures.</p>
      </div>
      <ul v-else class="places" aria-label="Models">
        <ShelfPlace
          v-for="stored in shelf.models"
          :key="stored.id"
          :stored="stored"
          @duplicate="duplicate(stored)"
          @remove="remove(stored)"
          @save="save(stored, $event)"
        />
      </ul>
    </main>
    <div v-if="isOver" class="drop" aria-hidden="true">Put it on the shelf</div>
  </div>
</template>

<style scoped>
.shelf-screen {
  min-height: 100vh;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 10px 32px;
  border-bottom: 1px solid var(--rule);
}
header {
  gap: 20px;
}
.tools {
  display: flex;
  gap: 4px;
  margin-left: auto;
}
.tools a {
  min-height: 44px;
  padding: 0 14px;
  display: flex;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
}
.tools a:hover {
  text-decoration: underline;
}
main {
  padding: 24px 32px 60px;
  max-width: 1360px;
  margin: 0 auto;
}
.working {
  max-width: 640px;
}
.places {
  list-style: none;
  margin: 20px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  column-gap: 0;
  row-gap: 40px;
}
.empty {
  border-bottom: 3px solid var(--ink);
  padding: 90px 0 20px;
  max-width: 640px;
}
.drop {
  position: fixed;
  inset: 16px;
  border: 3px dashed var(--accent);
  background: #fbfaf6e6;
  display: grid;
  place-items: center;
  font-size: 1.6rem;
  pointer-events: none;
}
@media (max-width: 700px) {
  header,
  main {
    padding-left: 16px;
    padding-right: 16px;
  }
}
</style>
