<script setup lang="ts">
import { computed, inject, onMounted, onUnmounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { plainFault } from '@core/fault'
import type { WritableFormat } from '@core/formats'
import { LIMITS } from '@core/model'
import { faultText, say, sayCount, screenWords } from '../language'
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
import ScreenLanguage from './ScreenLanguage.vue'
import ShelfPlace from './ShelfPlace.vue'
import { formatWords } from './format-words'

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
const putInFolder = (stored: StoredModel, name: string): Promise<void> =>
  attempt(say('shelf.movingIt'), () => shelf.putInFolder(stored.id, name))

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
    notify(say('shelf.wasNotDoneAndNothing', { what, fault: faultText(plainFault(thrown)) }), { isError: true })
  }
}

const router = useRouter()
const begin = (): Promise<void> =>
  attempt(say('shelf.aNewModel'), async () => {
    const { id } = await shelf.addNew()
    await router.push({ name: 'bench', params: { id } })
  })

const isCollecting = ref(false)
const isMaking = ref(false)
async function collect(name: string, ids: string[]): Promise<void> {
  isMaking.value = true
  await attempt(say('shelf.theCollection'), async () => {
    const { id } = await shelf.collect(name, ids)
    isCollecting.value = false
    const openIt = (): void => void router.push({ name: 'rail', params: { id } })
    notify(say('common.standsOnTheShelf', { name }), { act: { label: say('shelf.openIt'), run: openIt } })
  })
  isMaking.value = false
}

const remove = (stored: StoredModel): Promise<void> =>
  attempt(say('shelf.takingItOff'), async () => {
    await shelf.remove(stored.id)
    const undo = (): void => void attempt(say('shelf.bringingItBack'), () => shelf.restore(stored.id))
    notify(say('shelf.wasTakenOffTheShelf', { name: stored.name }), { act: { label: say('common.undo'), run: undo } })
  })

const duplicate = (stored: StoredModel): Promise<void> =>
  attempt(say('shelf.theCopy'), async () => {
    await shelf.duplicate(stored)
    notify(say('shelf.aCopyOfStandsOn', { name: stored.name }))
  })

const save = (stored: StoredModel, format: WritableFormat): Promise<void> =>
  attempt(say('shelf.savingTheFile'), async () => {
    const model = await shelf.documentOf(stored.id)
    downloadModel(stored.name, model, format)
    const losses = format.losses?.(model) ?? []
    if (losses.length === 0) return
    const { screenAdvice } = await import('../language/screen-advice')
    const said = losses.map(screenAdvice().say).join(', ')
    notify(say('shelf.theCannotHoldKeepThe', { title: formatWords(format).title, losses: said }))
  })
</script>

<template>
  <div class="shelf-screen">
    <header>
      <WordMark />
      <nav :aria-label="say('common.tools')" class="tools">
        <RouterLink :to="{ name: 'catalogue' }">{{ say('common.catalogue') }}</RouterLink>
        <RouterLink :to="{ name: 'fit' }">{{ say('common.fit') }}</RouterLink>
        <RouterLink :to="{ name: 'published' }">{{ say('common.published') }}</RouterLink>
      </nav>
      <ActionButton @click="begin">{{ say('common.newModel') }}</ActionButton>
      <ActionButton primary @click="picker?.click()">{{ say('shelf.bringInAModel') }}</ActionButton>
      <input
        ref="picker"
        class="sr-only"
        type="file"
        :accept="accepted"
        multiple
        tabindex="-1"
        :aria-label="say('shelf.modelFilesToBringIn')"
        @change="bring(($event.target as HTMLInputElement).files)"
      />
    </header>
    <main>
      <h1>{{ say('common.shelf') }}</h1>
      <p class="faint">
        {{ say('shelf.bringInA', { models: sayCount('count.models', total) }) }}
        <b v-if="formats.readable.length">{{ screenWords().list(formats.readable, 'or') }}</b> {{ say('shelf.fileByTheButtonOr') }}
        <RouterLink :to="{ name: 'bring-in' }">{{ say('shelf.tellInYourOwnWords') }}</RouterLink>
        {{ say('shelf.whatYouTookApartEverything') }}
      </p>
      <BackupBar />
      <label v-if="total >= MANY" class="search"
        >{{ say('shelf.findAModel') }} <input v-model="asked" class="plain-field" type="search" maxlength="100" autocomplete="off"
      /></label>
      <div v-if="folders.length > 0" class="folders" role="group" :aria-label="say('shelf.folders')">
        <button class="plain-button" :aria-pressed="opened === ALL" @click="chosenFolder = ALL">{{ say('shelf.all', { total }) }}</button>
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
      <ActionButton v-if="total >= 2 && !isCollecting" class="collect" @click="isCollecting = true">{{
        say('shelf.makeACollection')
      }}</ActionButton>
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
        :label="say('shelf.lookingAt', { name: shelf.working.name })"
        :fraction="shelf.working.fraction"
        class="working"
        @stop="shelf.stop()"
      />
      <p v-if="!shelf.isLasting" role="status" class="passing">
        <b>{{ say('shelf.thisBrowserKeepsNothing') }}</b> {{ say('shelf.modelsAreGoneWhenThis') }}
      </p>
      <p v-if="shelf.problem" role="alert">{{ shelf.problem }}</p>
      <p v-if="!shelf.isLoaded" role="status">{{ say('shelf.openingTheShelf') }}</p>
      <div v-else-if="total === 0" class="empty">
        <h2>{{ say('shelf.theShelfIsEmpty') }}</h2>
        <p>{{ say('shelf.bringInAFinishedModel') }}</p>
      </div>
      <ul v-else class="places" :aria-label="say('shelf.models')">
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
      <p v-if="total > 0 && shown.length === 0" role="status">{{ say('shelf.noModelIsCalledThat') }}</p>
      <ScreenLanguage class="language" />
      <p class="faint terms">
        <a href="/licences.txt" target="_blank" rel="noopener">{{ say('shelf.licencesOfWhatIsShipped') }}</a>
      </p>
    </main>
  </div>
</template>

<style scoped>
.shelf-screen {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
.language {
  margin-top: 40px;
}
.terms {
  margin-top: 12px;
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
