<script setup lang="ts">
import { computed, inject, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { BASE_CATALOGUE } from '@core/catalogue'
import { plainFault, type Problem } from '@core/fault'
import { mendCell, tableHeader } from '@core/formats'
import { readColourCell, readShapeCell } from '@core/names'
import { faultText, say, sayCount, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { BRING_IN } from '../app/bring-in-key'
import { formats, loadFormats } from '../shared/formats'
import { notify } from '../shared/notices'
import WordMark from '../shared/WordMark.vue'
import { useBringingIn } from '../stores/bringing-in'
import { useOwnNames } from '../stores/own-names'
import ColumnChoices from './ColumnChoices.vue'
import DictateButton from './DictateButton.vue'
import DrawingChoices from './DrawingChoices.vue'
import LogSheet from './LogSheet.vue'
import PreviewPicture from './PreviewPicture.vue'
import ProblemTable from './ProblemTable.vue'
import RemarkList from './RemarkList.vue'

const reading = useBringingIn()
const names = useOwnNames()
const router = useRouter()
const bringIn = inject(BRING_IN)!
const picker = ref<HTMLInputElement>()
const told = ref('')

onMounted(() => void loadFormats())

const fileName = computed(() => reading.file?.name ?? '')
const isTable = computed(() => /\.[ct]sv$/i.test(fileName.value))
const isDrawing = computed(() => /\.gl(b|tf)$/i.test(fileName.value))
const isLog = computed(() => /\.txt$/i.test(fileName.value))
const text = computed(() => (isLog.value && reading.file ? new TextDecoder().decode(reading.file.bytes) : ''))
/** Only looked at where it is not understood: tables can be large. */
const header = computed(() => {
  if (!isTable.value || !reading.file || reading.fault?.code !== 'csv-header') return undefined
  try {
    return tableHeader(reading.file.bytes)
  } catch {
    return undefined
  }
})
const needing = computed(() => reading.preview?.remarks.filter(({ needsPerson }) => needsPerson).length ?? 0)

/** A word for a piece or colour that is written anew is mapped for all rows; anything else is this one cell. */
const write = (problem: Problem, value: string, isRemembered: boolean): void => {
  const { row, column, nearest } = problem
  const read = nearest?.kind === 'shape' ? readShapeCell : readColourCell
  const id = nearest && isRemembered ? read(value.trim(), BASE_CATALOGUE).id : undefined
  if (id !== undefined) void remember(problem, id)
  else if (reading.file && row !== undefined && column !== undefined) void reading.mend(mendCell(reading.file.bytes, row, column, value))
}
const nameColumn = (column: number, title: string): void => {
  if (reading.file && header.value) void reading.mend(mendCell(reading.file.bytes, header.value.number, column, title))
}
/** Words that are mapped once are an own name from now on. */
async function remember(problem: Problem, id: string): Promise<void> {
  await names.name(problem.nearest!.kind, id, { name: problem.said ?? '' })
  await reading.read()
}

const change = (text: string): void => void reading.mend(new TextEncoder().encode(text))

async function accept(): Promise<void> {
  try {
    const stored = await reading.accept()
    if (!stored) return
    notify(say('common.standsOnTheShelf', { name: stored.name }), {
      act: { label: say('bringIn.open'), run: () => void router.push({ name: 'rail', params: { id: stored.id } }) },
    })
    if (!reading.file) await router.push({ name: 'shelf' })
  } catch (thrown) {
    notify(say('common.itWasNotBroughtIn', { fault: faultText(plainFault(thrown)) }), { isError: true })
  }
}
async function skip(): Promise<void> {
  await reading.skip()
  if (!reading.file) await router.push({ name: 'shelf' })
}
async function pick(files: FileList | null): Promise<void> {
  await bringIn([...(files ?? [])])
  if (picker.value) picker.value.value = ''
}
</script>

<template>
  <div class="screen">
    <header>
      <WordMark />
      <nav :aria-label="say('common.tools')">
        <RouterLink :to="{ name: 'shelf' }">{{ say('common.shelf') }}</RouterLink>
      </nav>
    </header>
    <main tabindex="-1">
      <h1>{{ say('common.bringIn') }}</h1>
      <template v-if="!reading.file">
        <p class="faint">
          {{ say('bringIn.nothingIsStoredBeforeYou') }} <b>{{ screenWords().list(formats.readable, 'or') }}</b>.
        </p>
        <ActionButton primary @click="picker?.click()">{{ say('bringIn.chooseFiles') }}</ActionButton>
        <section class="tell">
          <h2>{{ say('bringIn.orTellItInYour') }}</h2>
          <label for="told">{{ say('bringIn.whatYouTookApartOr') }}</label>
          <textarea id="told" v-model="told" class="plain-field" rows="9" :placeholder="say('bringIn.forTheLegsYouNeed')" @keydown.stop />
          <DictateButton @said="(sentence) => (told = told === '' ? sentence : `${told}\n${sentence}`)" />
          <ActionButton :disabled="told.trim() === ''" @click="reading.addText(told)">{{ say('bringIn.readIt') }}</ActionButton>
        </section>
      </template>
      <template v-else>
        <p class="file">
          <b>{{ fileName }}</b><span v-if="reading.left > 0" class="faint">{{
            say('bringIn.andAfterIt', { files: sayCount('count.files', reading.left) })
          }}</span>
        </p>
        <WorkBar
          v-if="reading.isReading"
          :label="say('bringIn.reading', { fileName })"
          :fraction="reading.fraction"
          @stop="reading.stop()"
        />
        <div v-if="reading.fault" role="alert" class="fault">
          <p>
            <b>{{ say('bringIn.notUnderstoodYet') }}</b> {{ faultText({ ...reading.fault, code: reading.fault.code }) }}
          </p>
        </div>
        <ColumnChoices v-if="header" :titles="header.cells" @name="nameColumn" />
        <ProblemTable v-if="reading.fault?.problems?.length" :problems="reading.fault.problems" @write="write" @name="remember" />
        <div class="acts">
          <ActionButton primary :disabled="!reading.preview || reading.isReading" @click="accept">{{
            say('bringIn.bringItIn')
          }}</ActionButton>
          <ActionButton @click="skip">{{ say('bringIn.leaveItOut') }}</ActionButton>
          <span v-if="needing > 0" class="needs"
            ><span aria-hidden="true">▲ </span>{{ say('bringIn.aLook', { thingsNeed: sayCount('count.thingsNeed', needing) }) }}</span
          >
        </div>
        <div v-if="reading.preview" class="understood">
          <PreviewPicture v-if="!isLog" :preview="reading.preview" />
          <section :aria-label="say('common.whatWasUnderstood')">
            <h2>{{ reading.preview.name }}</h2>
            <p>
              {{
                say('bringIn.in', {
                  pieces: sayCount('count.pieces', reading.preview.parts),
                  sections: sayCount('count.sections', reading.preview.sections),
                })
              }}
              <template v-if="isDrawing">
                {{
                  say('bringIn.knownByNameByForm', {
                    parts: sayCount('count.parts', Number(reading.preview.report.byName)),
                    byForm: Number(reading.preview.report.byForm),
                  })
                }}
              </template>
            </p>
            <DrawingChoices v-if="isDrawing" :choices="reading.choices" :report="reading.preview.report" @choose="reading.choose" />
            <label v-if="isLog" class="reverse">
              <input
                type="checkbox"
                :checked="reading.choices.isReversed === true"
                @change="reading.choose({ isReversed: ($event.target as HTMLInputElement).checked })"
              />
              {{ say('bringIn.itWasTakenApartIn') }}
            </label>
            <RemarkList v-if="reading.preview.remarks.length > 0 && !isLog" :remarks="reading.preview.remarks" />
          </section>
        </div>
        <LogSheet v-if="isLog" :text="text" :report="reading.preview?.report" @change="change" />
      </template>
      <input
        ref="picker"
        class="sr-only"
        type="file"
        multiple
        tabindex="-1"
        :aria-label="say('bringIn.filesToLookAt')"
        @change="pick(($event.target as HTMLInputElement).files)"
      />
    </main>
  </div>
</template>

<style scoped src="../app/frame.css"></style>
<style scoped>
.screen {
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}
main {
  padding: 24px 32px 60px;
  max-width: 1240px;
  margin: 0 auto;
}
main > * + * {
  margin-top: 16px;
}
.file {
  overflow-wrap: anywhere;
}
.fault {
  border-left: 4px solid var(--error);
  padding-left: 12px;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
.needs {
  color: var(--warn);
}
.understood {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 32px;
}
.understood:not(:has(.stand)) {
  grid-template-columns: minmax(0, 1fr);
}
.tell {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
  max-width: 68ch;
  margin-top: 36px;
}
.reverse {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
@media (max-width: 800px) {
  main {
    padding: 16px;
  }
  .understood {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
