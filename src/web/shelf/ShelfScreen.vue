<script setup lang="ts">
import { computed, inject, onMounted, onUnmounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { faultLine, plainFault } from '@core/fault'
import type { WritableFormat } from '@core/formats'
import { LIMITS } from '@core/model'
import { listInWords, plural } from '@core/words'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { downloadModel } from '../shared/download-model'
import { formats, loadFormats } from '../shared/formats'
import { notify } from '../shared/notices'
import WordMark from '../shared/WordMark.vue'
import type { StoredModel } from '../storage/database'
import { useShelf } from '../stores/shelf'
import { BRING_IN } from '../app/bring-in-key'
import BackupBar from './BackupBar.vue'
import CollectionPanel from './CollectionPanel.vue'
import ShelfPlace from './ShelfPlace.vue'

const shelf = useShelf()
const picker = ref<HTMLInputElement>()
/** File pickers know the last extension of a name only. */
const accepted = computed(() => formats.value.readable.map((extension) => extension.replace(/^.*(?=\.)/, '')).join())
const total = computed(() => shelf.models.length)
/** From so many models on they are looked for by name. */
const MANY = 8
const asked = ref('')
const shown = computed(() => {
  const words = total.value < MANY ? [] : asked.value.toLowerCase().split(/\s+/)
  return shelf.models.filter(
    ({ name, folder = '' }) =>
      (opened.value === ALL || folder === opened.value) && words.every((word) => name.toLowerCase().includes(word)),
  )
})
const folders = computed(() => [...new Set(shelf.models.flatMap(({ folder }) => folder || []))].sort((a, b) => a.localeCompare(b)))
/** The folder that is open; all models where none is, also when the last model has left it. */
const ALL = '*'
const chosenFolder = ref(ALL)
const opened = computed(() => (folders.value.includes(chosenFolder.value) ? chosenFolder.value : ALL))
const countIn = (folder: string): number => shelf.models.filter((stored) => stored.folder === folder).length
const putInFolder = (stored: StoredModel, name: string): Promise<void> => attempt('Moving it', () => shelf.putInFolder(stored.id, name))

onMounted(() => {
  void shelf.load()
  void loadFormats()
})
onUnmounted(() => shelf.close())

const bringIn = inject(BRING_IN)!
async function bring(files: FileList | null): Promise<void> {
  await bringIn([...(files ?? [])])
  if (picker.value) picker.value.value = ''
}

/** Does something to the shelf; where the browser refuses, that is told and nothing has changed. */
async function attempt(what: string, act: () => Promise<void>): Promise<void> {
  try {
    await act()
  } catch (thrown) {
    notify(`${what} was not done, and nothing has changed. ${faultLine(plainFault(thrown))}`, { isError: true })
  }
}

const router = useRouter()
const begin = (): Promise<void> =>
  attempt('A new model', async () => {
    const { id } = await shelf.addNew()
    await router.push({ name: 'bench', params: { id } })
  })

const isCollecting = ref(false)
const isMaking = ref(false)
async function collect(name: string, ids: string[]): Promise<void> {
  isMaking.value = true
  await attempt('The collection', async () => {
    const { id } = await shelf.collect(name, ids)
    isCollecting.value = false
    const openIt = (): void => void router.push({ name: 'rail', params: { id } })
    notify(`“${name}” stands on the shelf.`, { act: { label: 'Open it', run: openIt } })
  })
  isMaking.value = false
}

const remove = (stored: StoredModel): Promise<void> =>
  attempt('Taking it off', async () => {
    await shelf.remove(stored.id)
    const undo = (): void => void attempt('Bringing it back', () => shelf.restore(stored.id))
    notify(`“${stored.name}” was taken off the shelf.`, { act: { label: 'Undo', run: undo } })
  })

const duplicate = (stored: StoredModel): Promise<void> =>
  attempt('The copy', async () => {
    await shelf.duplicate(stored)
    notify(`A copy of “${stored.name}” stands on the shelf.`)
  })

const save = (stored: StoredModel, format: WritableFormat): Promise<void> =>
  attempt('Saving the file', async () => {
    const model = await shelf.documentOf(stored.id)
    downloadModel(stored.name, model, format)
    const losses = format.losses?.(model) ?? []
    if (losses.length > 0) notify(`The ${format.title} cannot hold ${losses.join(', ')}. Keep the model file too.`)
  })
</script>

<template>
  <div class="shelf-screen">
    <header>
      <WordMark />
      <nav aria-label="Tools" class="tools">
        <RouterLink :to="{ name: 'catalogue' }">Catalogue</RouterLink>
        <RouterLink :to="{ name: 'fit' }">Fit</RouterLink>
        <RouterLink :to="{ name: 'published' }">Published</RouterLink>
      </nav>
      <ActionButton @click="begin">New model</ActionButton>
      <ActionButton primary @click="picker?.click()">Bring in a model</ActionButton>
      <input
        ref="picker"
        class="sr-only"
        type="file"
        :accept="accepted"
        multiple
        tabindex="-1"
        aria-label="Model files to bring in"
        @change="bring(($event.target as HTMLInputElement).files)"
      />
    </header>
    <main>
      <h1>Shelf</h1>
      <p class="faint">
        {{ plural(total, 'model') }}. Bring in a <b v-if="formats.readable.length">{{ listInWords(formats.readable, 'or') }}</b> file by the
        button, or drop it here; <RouterLink :to="{ name: 'bring-in' }">tell in your own words</RouterLink> what you took apart. Everything
        stays in this browser.
      </p>
      <BackupBar />
      <label v-if="total >= MANY" class="search"
        >Find a model <input v-model="asked" class="plain-field" type="search" maxlength="100" autocomplete="off"
      /></label>
      <div v-if="folders.length > 0" class="folders" role="group" aria-label="Folders">
        <button class="plain-button" :aria-pressed="opened === ALL" @click="chosenFolder = ALL">All {{ total }}</button>
        <button
          v-for="folder in folders"
          :key="folder"
          class="plain-button"
          :aria-pressed="opened === folder"
          @click="chosenFolder = folder"
        >
          {{ folder }} {{ countIn(folder) }}
        </button>
      </div>
      <ActionButton v-if="total >= 2 && !isCollecting" class="collect" @click="isCollecting = true">Make a collection</ActionButton>
      <CollectionPanel
        v-if="isCollecting"
        :models="shelf.models"
        :is-making="isMaking"
        :longest="LIMITS.nameLength"
        @make="collect"
        @leave="isCollecting = false"
      />
      <WorkBar
        v-if="shelf.working"
        :label="`Looking at ${shelf.working.name}`"
        :fraction="shelf.working.fraction"
        class="working"
        @stop="shelf.stop()"
      />
      <p v-if="!shelf.isLasting" role="status" class="passing">
        <b>This browser keeps nothing:</b> models are gone when this page is closed. Save their files to keep them.
      </p>
      <p v-if="shelf.problem" role="alert">{{ shelf.problem }}</p>
      <p v-if="!shelf.isLoaded" role="status">Opening the shelf…</p>
      <div v-else-if="total === 0" class="empty">
        <h2>The shelf is empty</h2>
        <p>Bring in a finished model, and its rail is laid for you: steps, pieces, pictures.</p>
      </div>
      <ul v-else class="places" aria-label="Models">
        <ShelfPlace
          v-for="stored in shown"
          :key="stored.id"
          :stored="stored"
          :folders="folders"
          @folder="putInFolder(stored, $event)"
          @duplicate="duplicate(stored)"
          @remove="remove(stored)"
          @save="save(stored, $event)"
          @try-again="shelf.tryAgain(stored.id)"
        />
      </ul>
      <p v-if="total > 0 && shown.length === 0" role="status">No model is called that.</p>
      <p class="faint terms"><a href="/licences.txt" target="_blank" rel="noopener">Licences of what is shipped with Jump Rail</a></p>
    </main>
  </div>
</template>

<style scoped>
.shelf-screen {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.terms {
  margin-top: 40px;
}
.terms a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}
.passing {
  background: var(--accent-wash);
  padding: 10px 14px;
  max-width: 62ch;
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
.search {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 12px;
}
.folders {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 12px;
}
.folders button {
  overflow-wrap: anywhere;
}
.folders [aria-pressed='true'] {
  font-weight: 700;
  box-shadow: inset 0 -3px var(--accent);
}
.collect {
  margin-top: 12px;
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
@media (max-width: 700px) {
  header,
  main {
    padding-left: 16px;
    padding-right: 16px;
  }
}
</style>
