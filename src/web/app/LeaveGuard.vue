<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { nextTick, ref } from 'vue'
import { onBeforeRouteLeave, onBeforeRouteUpdate } from 'vue-router'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { useOpenModel } from '../stores/open-model'

/** Nothing that is typed, queued, under way or not saved is left without a word: inside the application, and when the page goes. */
const props = defineProps<{ id: string }>()
const open = useOpenModel()
const asks = ref<{ readonly leave: (leaves: boolean) => void; readonly isFailed: boolean } | null>(null)
const box = ref<HTMLElement>()

/** Work that ends so soon is waited for without a question. */
const SOON_MS = 500

async function mayLeave(): Promise<boolean> {
  const { session } = open
  if (!session) return true
  const settled = session.settle()
  await Promise.race([settled, new Promise((resolve) => setTimeout(resolve, SOON_MS))])
  if (session.unsaved.state.value === 'nothing') return true
  return new Promise((resolve) => {
    const leave = (leaves: boolean): void => {
      asks.value = null
      resolve(leaves)
    }
    asks.value = { leave, isFailed: session.unsaved.state.value === 'failed' }
    void settled.then(() => {
      if (asks.value?.leave !== leave) return
      if (session.unsaved.state.value === 'nothing') leave(true)
      else asks.value = { leave, isFailed: true }
    })
    void nextTick(() => box.value?.focus())
  })
}

onBeforeRouteLeave(mayLeave)
onBeforeRouteUpdate((to) => (to.params['id'] === props.id ? true : mayLeave()))
useEventListener(window, 'beforeunload', (event) => {
  open.session?.unsaved.flush()
  if (open.unsaved.state.value !== 'nothing') event.preventDefault()
})
useEventListener(document, 'visibilitychange', () => {
  if (document.visibilityState !== 'hidden') return
  open.session?.unsaved.flush()
  void open.session?.rest()
})
</script>

<template>
  <div v-if="asks" ref="box" class="asks" role="alertdialog" :aria-label="say('app.notSavedYet')" tabindex="-1">
    <p v-if="asks.isFailed">
      <b>{{ say('app.notSaved') }}</b> {{ say('app.whatYouDidLastCould') }}
    </p>
    <p v-else>{{ say('app.whatYouDidLastIs') }}</p>
    <ActionButton primary @click="asks.leave(false)">{{ say('app.stayHere') }}</ActionButton>
    <ActionButton @click="open.downloadFile()">{{ say('app.downloadTheFile') }}</ActionButton>
    <ActionButton @click="asks.leave(true)">{{ say('app.leaveWithoutIt') }}</ActionButton>
  </div>
</template>

<style scoped>
.asks {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  padding: 8px 20px;
  background: #f6e3e0;
  border-bottom: 1px solid var(--ink);
}
.asks:focus {
  outline-offset: -3px;
}
p {
  flex: 1;
  margin: 0;
  min-width: 240px;
}
</style>
