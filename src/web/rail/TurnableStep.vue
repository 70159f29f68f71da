<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { Flattener } from '@core/model'
import { baseSection, broughtBySteps, plansById, type SectionPlan } from '@core/plan'
import type { PickedPoint } from '@core/placing'
import { sectionNodes } from '@core/scene'
import ModelView from '../bench/ModelView.vue'
import { runKey, sightKeys } from '../bench/bench-keys'
import type { ModelSight } from '../bench/model-picture'
import { framesOf } from '../bench/shown-nodes'
import { shareOf, type PictureTouch } from '../shared/picture-touch'
import { isTyping, shortcutOf } from '../shared/shortcut'
import { useOpenModel } from '../stores/open-model'

/** A section as it stands after a step, to be turned and zoomed; what the step brings is framed. */
const props = defineProps<{ section: SectionPlan; step: number; framed: readonly string[]; label: string }>()
const emit = defineEmits<{ touch: [touch: PictureTouch | null] }>()
const open = useOpenModel()

const plans = computed(() => open.report!.sections)
const base = computed(() => baseSection(props.section, plansById(plans.value))?.id ?? props.section.id)
const nodes = computed(() => sectionNodes(open.model!, new Flattener(open.model!), base.value))
const brought = computed(() => broughtBySteps(props.section, plans.value).slice(0, props.step + 1))
const present = computed(() => {
  const ids = new Set(brought.value.flat(2))
  return nodes.value.filter(({ id }) => ids.has(id))
})
const parts = computed(() => present.value.flatMap((node) => node.parts))

const byId = computed(() => new Map(present.value.map((node) => [node.id, node])))
const marks = computed(() => [
  ...framesOf(byId.value, brought.value.at(-1)?.flat() ?? [], 'chosen'),
  ...framesOf(byId.value, props.framed, 'clash'),
])

function onPick(point: PickedPoint | undefined, event: PointerEvent): void {
  const part = point && parts.value[point.part]
  emit('touch', part ? { part: part.path, at: shareOf(event, event.currentTarget as HTMLElement) } : null)
}

const view = ref<ModelSight>()
/** Arrows walk the rail, so that they turn only with Shift; asked before those of the rail. */
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return
    const key = shortcutOf(event)
    if (key.startsWith('Arrow') && !event.shiftKey) return
    if (runKey(sightKeys(view.value)[key])) event.preventDefault()
  },
  { capture: true },
)
</script>

<template>
  <ModelView ref="view" class="turnable" :catalogue="open.source!.catalogue" :parts="parts" :marks="marks" :label="label" @pick="onPick" />
</template>

<style scoped>
.turnable {
  height: 100%;
}
</style>
