<script setup lang="ts">
import { computed, nextTick, ref, shallowRef } from 'vue'
import type { Bundle } from '@core/booklet'
import type { Alias } from '@core/names'
import { plainFault, type PlainFault } from '@core/fault'
import { EXPORTS, type BookletExport } from '@press/index'
import { faultText, say, sayCount } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import ChoiceList from '../controls/ChoiceList.vue'
import WorkBar from '../controls/WorkBar.vue'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'
import { useOwnNames } from '../stores/own-names'
import PublishPanel from '../published/PublishPanel.vue'
import BookletTabs from '../proof/BookletTabs.vue'
import BuilderView from './BuilderView.vue'
import ComposePanel from './ComposePanel.vue'
import { exportWords } from './export-words'
import ReadinessList from './ReadinessList.vue'
import SheetPreview from './SheetPreview.vue'
import { useExport } from './use-export'
import { useLackingLetters } from './use-lacking-letters'
import { useSheets } from './use-sheets'
import { useWholeBundle } from './use-whole-bundle'
import VersionsInBooklet from './VersionsInBooklet.vue'

const open = useOpenModel()
const names = useOwnNames()
const errors = computed(() => open.report!.findings.filter((finding) => finding.severity === 'error').length)
const places = computed(() => (preview.value?.bookmarks ?? []).map(({ title, sheet }) => ({ value: String(sheet), label: title })))
const previews = ref<HTMLElement>()
/** Sheets that are far from the view are empty papers, so each of them has its place already. */
const place = computed({
  get: () => '',
  set: (sheet) => void previews.value?.querySelectorAll('article')[Number(sheet)]?.scrollIntoView({ block: 'start' }),
})

const lacking = useLackingLetters(() => open.shown)

/** The designer's own names, where they are switched on; plain, since a worker takes nothing else. */
async function shownNames(): Promise<Alias[]> {
  await names.load()
  return names.isShown ? names.aliases.map((alias) => ({ ...alias })) : []
}

const { preview, isBehind, problem, paint, again } = useSheets(shownNames, () => (names.isShown ? JSON.stringify(names.aliases) : ''))

const files = useExport()
const buttons = ref<HTMLElement>()

const { whole, progress: planned, stop: stopPlanning } = useWholeBundle()

/** What a builder would see, while somebody looks at it. */
const seen = shallowRef<Bundle | null>(null)
async function look(): Promise<void> {
  try {
    seen.value = await whole()
  } catch (thrown) {
    const fault = plainFault(thrown)
    if (fault.code !== 'stopped') notify(say('booklet.theBookletCannotBeShown', { fault: faultText(fault) }), { isError: true })
  }
}

async function write(asked: BookletExport): Promise<PlainFault | 'stopped' | 'done'> {
  try {
    return await files.write(asked, { bundle: await whole(), aliases: await shownNames() })
  } catch (thrown) {
    const fault = plainFault(thrown)
    return fault.code === 'stopped' ? 'stopped' : fault
  }
}

async function save(asked: BookletExport): Promise<void> {
  const answer = await write(asked)
  if (answer === 'done') notify(say('booklet.theFileIsInYour', { about: exportWords(asked).about }))
  else if (answer !== 'stopped') notify(say('booklet.theFileWasNotWritten', { fault: faultText(answer) }), { isError: true })
  await nextTick()
  if (document.activeElement === document.body) buttons.value?.querySelector<HTMLElement>(`[data-export="${asked.id}"] button`)?.focus()
}
</script>

<template>
  <main class="booklet-screen">
    <aside>
      <BookletTabs />
      <h1>{{ say('common.booklet') }}</h1>
      <p class="faint">
        {{ say('booklet.whatYouSeeIsWhat', { what: preview ? `${sayCount('count.sheets', preview.count)}. ` : '' }) }}
      </p>
      <ChoiceList
        v-if="places.length > 1"
        v-model="place"
        :label="say('booklet.goTo')"
        :options="[{ value: '', label: say('booklet.chooseASheet') }, ...places]"
      />
      <p v-if="errors > 0" class="warn" role="status">
        <b>▲ {{ sayCount('count.errorsStand', errors) }}.</b> {{ say('booklet.buildersWouldGetStuck') }}
        <RouterLink :to="{ name: 'rail' }">{{ say('booklet.lookAtTheRail') }}</RouterLink>
      </p>

      <VersionsInBooklet />
      <WorkBar
        v-if="planned !== null"
        class="file-work"
        :label="say('booklet.planningTheOtherVersions')"
        :fraction="planned"
        @stop="stopPlanning"
      />
      <ComposePanel />
      <ActionButton :disabled="planned !== null" @click="look()">{{ say('booklet.seeItAsABuilder') }}</ActionButton>
      <BuilderView v-if="seen" :bundle="seen" @close="seen = null" />
      <ReadinessList />
      <PublishPanel v-if="open.snapshot" :model-id="open.id" :whole="whole" />

      <h2>{{ say('booklet.asAFile') }}</h2>
      <p v-if="lacking.length > 0" class="warn" role="status">
        <b>{{ say('booklet.noTypefaceHereHas', { lacking: lacking.slice(0, 12).join(' '), what: lacking.length > 12 ? ' …' : '' }) }}</b>{{
          say('booklet.aPdfShowsAnEmpty')
        }}
      </p>
      <div ref="buttons" class="files">
        <template v-for="each in EXPORTS" :key="each.id">
          <span :data-export="each.id"
            ><ActionButton :disabled="files.running.value !== null || planned !== null" @click="save(each)">{{
              exportWords(each).title
            }}</ActionButton></span
          >
          <WorkBar
            v-if="files.running.value === each"
            class="file-work"
            :label="say('booklet.writing', { title: exportWords(each).title })"
            :fraction="files.progress.value"
            @stop="files.stop()"
          />
        </template>
      </div>
      <ActionButton @click="open.downloadFile()">{{ say('booklet.theModelFile') }}</ActionButton>
    </aside>
    <section ref="previews" class="sheets" :aria-label="say('booklet.preview')" tabindex="0" :aria-busy="isBehind || !preview">
      <p v-if="problem" class="warn state" role="alert">
        {{ say('booklet.theSheetsCouldNotBe', { problem }) }} <ActionButton @click="again()">{{ say('common.tryAgain') }}</ActionButton>
      </p>
      <p v-else-if="!preview" class="faint state" role="status">{{ say('booklet.layingOutTheSheets') }}</p>
      <SheetPreview v-for="(sheet, i) in preview?.sheets ?? []" :key="i" :sheet="sheet" :number="i + 1" :paint="paint" />
    </section>
  </main>
</template>

<style scoped>
.booklet-screen {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr);
}
aside {
  padding: 18px 20px;
  border-right: 1px solid var(--rule);
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 12px;
}
aside p {
  margin: 0;
  overflow-wrap: anywhere;
}
aside h2 {
  margin-top: 10px;
}
.warn {
  color: var(--error);
}
.files {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 12px;
  width: 100%;
}
.file-work {
  flex-wrap: wrap;
  width: 100%;
}
.sheets {
  overflow-y: auto;
  padding: 22px;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(380px, 1fr));
  gap: 22px;
  align-content: start;
  grid-auto-rows: max-content;
  background: #efede6;
}
.state {
  grid-column: 1 / -1;
  margin: 0;
}
@media (max-width: 900px) {
  .booklet-screen {
    grid-template-columns: 1fr;
    overflow-y: auto;
  }
  aside {
    border-right: 0;
  }
  .sheets {
    grid-template-columns: 1fr;
  }
}
</style>
