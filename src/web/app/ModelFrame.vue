<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, onUnmounted, provide, ref, watch } from 'vue'
import { storeToRefs } from 'pinia'
import { plainFault } from '@core/fault'
import { faultText, say, screenLanguage } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { PAINT_SOURCE } from '../shared/painter-key'
import { isTyping, shortcutOf } from '../shared/shortcut'
import { HOLD_TYPED } from '../shared/typed-text'
import WordMark from '../shared/WordMark.vue'
import { useOpenModel } from '../stores/open-model'
import { useRailPlace } from '../stores/rail-place'
import FirstLook from './FirstLook.vue'
import LeaveGuard from './LeaveGuard.vue'
import StatusLine from './StatusLine.vue'

const props = defineProps<{ id: string }>()
const open = useOpenModel()
const place = useRailPlace()
const { source } = storeToRefs(open)
provide(PAINT_SOURCE, source)
provide(HOLD_TYPED, (handOver) => open.unsaved.typed(handOver))

const lost = ref('')
const findingCount = computed(() => open.report?.findings.length ?? 0)
const planning = computed(() => open.session?.planning.fraction.value ?? null)
const problem = computed(() => open.session?.problem.value || open.paintProblem)
const railQuery = computed(() => place.queryOf(props.id))

const SAVED = {
  nothing: say('app.saved'),
  typed: say('app.saving'),
  waiting: say('app.saving'),
  saving: say('app.saving'),
  failed: say('app.notSaved2'),
} as const
const saved = computed(() => (open.isLasting ? SAVED[open.unsaved.state.value] : say('app.inThisPageOnly')))

async function load(): Promise<void> {
  lost.value = ''
  try {
    await open.open(props.id)
  } catch (thrown) {
    lost.value = faultText(plainFault(thrown))
  }
}
watch(() => props.id, load, { immediate: true })
onUnmounted(() => open.close())

useEventListener(window, 'keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || isTyping(event)) return
  const key = shortcutOf(event)
  if (key === 'z' && !event.shiftKey) void open.undo()
  else if (key === 'y' || (key === 'z' && event.shiftKey)) void open.redo()
  else return
  event.preventDefault()
})
/** Other languages have longer words for the rooms. */
const isNarrow = useMediaQuery(`(max-width: ${screenLanguage() === 'en' ? 1240 : 1500}px)`)
</script>

<template>
  <div class="frame">
    <header :class="{ narrow: isNarrow }">
      <WordMark />
      <p class="name" :title="open.model?.name">{{ open.model?.name }}</p>
      <nav :aria-label="say('app.roomsOfThisModel')">
        <RouterLink :to="{ name: 'bench', params: { id } }">{{ say('app.bench') }}</RouterLink>
        <RouterLink :to="{ name: 'rail', params: { id }, query: railQuery }">{{ say('common.rail') }}</RouterLink>
        <RouterLink :to="{ name: 'checks', params: { id } }"
          >{{ say('common.checks')
          }}<span v-if="findingCount > 0" class="count"
            >{{ findingCount }}<span class="sr-only">{{ ` ${say('app.findings')}` }}</span></span
          ></RouterLink
        >
        <RouterLink :to="{ name: 'sections', params: { id } }">{{ say('common.sections') }}</RouterLink>
        <RouterLink :to="{ name: 'photos', params: { id } }">{{ say('common.photos') }}</RouterLink>
        <RouterLink :to="{ name: 'parts', params: { id } }">{{ say('common.parts') }}</RouterLink>
        <RouterLink :to="{ name: 'booklet', params: { id } }">{{ say('common.booklet') }}</RouterLink>
        <RouterLink :to="{ name: 'figures', params: { id } }">{{ say('common.figures') }}</RouterLink>
        <RouterLink :to="{ name: 'work', params: { id } }">{{ say('app.work') }}</RouterLink>
        <RouterLink :to="{ name: 'model-catalogue', params: { id } }">{{ say('common.catalogue') }}</RouterLink>
        <RouterLink :to="{ name: 'model-fit', params: { id } }">{{ say('common.fit') }}</RouterLink>
      </nav>
      <div class="state">
        <ActionButton
          :disabled="!open.undoLabel"
          shortcut="Ctrl Z"
          :describe="open.undoLabel ? say('app.undoWhat', { what: open.undoLabel }) : say('common.undo')"
          @click="open.undo()"
          >{{ say('common.undo') }}</ActionButton
        >
        <ActionButton
          :disabled="!open.redoLabel"
          shortcut="Ctrl Y"
          :describe="open.redoLabel ? say('app.redoWhat', { what: open.redoLabel }) : say('app.redo')"
          @click="open.redo()"
          >{{ say('app.redo') }}</ActionButton
        >
        <span class="saved" role="status">{{ saved }}</span>
      </div>
    </header>
    <LeaveGuard :id="id" />
    <div v-if="open.session?.saving.state.value === 'failed'" class="bar bad" role="alert">
      <span
        ><b>{{ say('app.notSaved') }}</b> {{ open.session.saving.message.value }}</span
      >
      <ActionButton @click="open.session.saving.retry()">{{ say('common.tryAgain') }}</ActionButton>
      <ActionButton @click="open.downloadFile()">{{ say('app.downloadTheFile') }}</ActionButton>
    </div>
    <div v-else-if="!open.isLasting && open.model" class="bar" role="status">
      <span
        ><b>{{ say('app.thisBrowserKeepsNothing') }}</b> {{ say('app.theModelIsGoneWhen') }}</span
      >
      <ActionButton @click="open.downloadFile()">{{ say('app.downloadTheFile') }}</ActionButton>
    </div>
    <div v-if="lost" class="lost" role="alert">
      <h1>{{ say('app.thisModelCannotBeOpened') }}</h1>
      <p>{{ lost }}</p>
      <RouterLink :to="{ name: 'shelf' }">{{ say('common.toTheShelf') }}</RouterLink>
    </div>
    <template v-else>
      <div v-if="problem && planning === null" class="bar" role="alert">
        <span>{{ problem }}</span>
        <ActionButton @click="open.session?.plan()">{{ say('app.planAgain') }}</ActionButton>
        <ActionButton v-if="!open.report" @click="open.downloadFile()">{{ say('app.downloadTheFile') }}</ActionButton>
      </div>
      <FirstLook v-if="open.draft && !open.report" :draft="open.draft">
        <WorkBar
          v-if="planning !== null"
          :label="say('app.planningAndLookingAtEvery')"
          :fraction="planning"
          @stop="open.session?.stopPlanning()"
        />
      </FirstLook>
      <RouterView v-if="open.report" />
      <StatusLine v-if="open.report" />
    </template>
  </div>
</template>

<style scoped src="./frame.css"></style>
<style scoped>
.name {
  margin: 0;
  flex: 1;
  min-width: 60px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--faint);
}
.count {
  margin-left: 8px;
  padding: 0 7px;
  border: 1px solid currentcolor;
  border-radius: 9px;
  font-size: 0.82rem;
  font-weight: 400;
}
.state {
  display: flex;
  align-items: center;
  gap: 8px;
}
.saved {
  min-width: 5em;
  color: var(--faint);
}
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 20px;
  background: var(--accent-wash);
}
.bar span {
  flex: 1;
}
.bar.bad {
  background: #f6e3e0;
}
.lost {
  padding: 60px;
}
/* Where it is narrow the rooms come first; every program undoes by these keys. */
@media (max-width: 1440px) {
  .state :deep(.shortcut) {
    display: none;
  }
  header {
    gap: 12px;
  }
  nav {
    gap: 2px;
  }
  nav a {
    padding: 0 7px;
  }
  .saved {
    min-width: 3.6em;
  }
}
header.narrow {
  flex-wrap: wrap;
  gap: 0 10px;
  padding: 2px 10px;
}
.narrow nav {
  order: 3;
  width: 100%;
  overflow-x: auto;
}
.narrow .saved {
  min-width: 0;
}
</style>
