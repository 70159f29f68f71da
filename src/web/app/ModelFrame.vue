<script setup lang="ts">
import { computed, onMounted, onUnmounted, provide, ref, watch } from 'vue'
import { storeToRefs } from 'pinia'
import { faultLine, plainFault } from '@core/fault'
import ActionButton from '../controls/ActionButton.vue'
import WorkBar from '../controls/WorkBar.vue'
import { PAINT_SOURCE } from '../shared/painter-key'
import WordMark from '../shared/WordMark.vue'
import { useOpenModel } from '../stores/open-model'

const props = defineProps<{ id: string }>()
const open = useOpenModel()
const { source } = storeToRefs(open)
provide(PAINT_SOURCE, source)

const problem = ref('')
const findingCount = computed(() => open.report?.findings.length ?? 0)

async function load(): Promise<void> {
  problem.value = ''
  try {
    await open.open(props.id)
  } catch (thrown) {
    problem.value = faultLine(plainFault(thrown))
  }
}
watch(() => props.id, load, { immediate: true })
onUnmounted(() => open.close())

function onKey(event: KeyboardEvent): void {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || (event.target as HTMLElement).closest('textarea, input')) return
  const key = event.key.toLowerCase()
  if (key === 'z' && !event.shiftKey) open.undo()
  else if (key === 'y' || (key === 'z' && event.shiftKey)) open.redo()
  else return
  event.preventDefault()
}
function beforeLeaving(event: BeforeUnloadEvent): void {
  if (open.save.kind !== 'saved' || open.waiting > 0) event.preventDefault()
}
onMounted(() => {
  window.addEventListener('keydown', onKey)
  window.addEventListener('beforeunload', beforeLeaving)
})
onUnmounted(() => {
  window.removeEventListener('keydown', onKey)
  window.removeEventListener('beforeunload', beforeLeaving)
})
</script>

<template>
  <div class="frame">
    <header>
      <WordMark />
      <p class="name" :title="open.model?.name">{{ open.model?.name }}</p>
      <nav aria-label="Rooms of this model">
        <RouterLink :to="{ name: 'rail', params: { id } }">Rail</RouterLink>
        <RouterLink :to="{ name: 'checks', params: { id } }"
          >Checks<span v-if="findingCount > 0" class="count">{{ findingCount }}<span class="sr-only"> findings</span></span></RouterLink
        >
        <RouterLink :to="{ name: 'booklet', params: { id } }">Booklet</RouterLink>
        <RouterLink :to="{ name: 'figures', params: { id } }">Figures</RouterLink>
        <RouterLink :to="{ name: 'work', params: { id } }">Work</RouterLink>
        <RouterLink :to="{ name: 'model-catalogue', params: { id } }">Catalogue</RouterLink>
        <RouterLink :to="{ name: 'model-fit', params: { id } }">Fit</RouterLink>
      </nav>
      <div class="state">
        <ActionButton
          :disabled="!open.undoLabel"
          shortcut="Ctrl Z"
          :describe="open.undoLabel ? `Undo: ${open.undoLabel}` : 'Undo'"
          @click="open.undo()"
          >Undo</ActionButton
        >
        <ActionButton
          :disabled="!open.redoLabel"
          shortcut="Ctrl Y"
          :describe="open.redoLabel ? `Redo: ${open.redoLabel}` : 'Redo'"
          @click="open.redo()"
          >Redo</ActionButton
        >
        <span class="saved" role="status">{{
          open.save.kind === 'saved' ? 'Saved' : open.save.kind === 'saving' ? 'Saving…' : 'Not saved'
        }}</span>
      </div>
    </header>
    <div v-if="open.save.kind === 'failed'" class="bar bad" role="alert">
      <span><b>Not saved.</b> {{ open.save.message }}</span>
      <ActionButton @click="open.persist()">Try again</ActionButton>
      <ActionButton @click="open.downloadFile()">Download the file</ActionButton>
    </div>
    <div v-if="problem" class="lost" role="alert">
      <h1>This model cannot be opened</h1>
      <p>{{ problem }}</p>
      <RouterLink :to="{ name: 'shelf' }">To the shelf</RouterLink>
    </div>
    <template v-else>
      <div v-if="open.problem" class="bar" role="alert">
        <span>{{ open.problem }}</span>
        <ActionButton @click="open.plan()">Plan again</ActionButton>
      </div>
      <div v-if="open.planning !== null && !open.report" class="first-plan">
        <WorkBar label="Planning and looking at every step" :fraction="open.planning" @stop="open.stopPlanning()" />
      </div>
      <RouterView v-if="open.report" />
      <div v-if="open.planning !== null && open.report" class="replan">
        <WorkBar
          :label="open.searching ? 'Looking for a better order' : 'Planning again'"
          :fraction="open.planning"
          @stop="open.stopPlanning()"
        />
      </div>
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
.first-plan {
  margin: auto;
  width: min(720px, 90vw);
}
.replan {
  position: fixed;
  right: 20px;
  top: 64px;
  width: min(480px, 90vw);
  background: var(--paper);
  border: 1px solid var(--ink);
  padding: 6px 12px;
  z-index: 20;
  /* Quick work must not flash by. */
  animation: appear 0s 0.6s both;
}
@keyframes appear {
  from {
    visibility: hidden;
  }
  to {
    visibility: visible;
  }
}
.lost {
  padding: 60px;
}
@media (max-width: 900px) {
  header {
    flex-wrap: wrap;
    gap: 4px 10px;
    padding: 2px 10px;
  }
  .name {
    display: none;
  }
  .saved {
    min-width: 0;
  }
}
</style>
