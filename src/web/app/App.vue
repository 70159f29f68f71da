<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { useEventListener } from '@vueuse/core'
import { provide, ref } from 'vue'
import { useRouter } from 'vue-router'
import { Fault, plainFault } from '@core/fault'
import { wordsIn } from '@core/language'
import { faultText, say, screenLanguage } from '../language'
import { OWN_NAMES } from '../shared/own-names-key'
import { notify } from '../shared/notices'
import NoticeArea from '../shared/NoticeArea.vue'
import { WORDS } from '../shared/words-key'
import { useOwnNames } from '../stores/own-names'
import { BRING_IN } from './bring-in-key'
import { theme } from './theme'

const names = useOwnNames()
void names.load()
provide(OWN_NAMES, names.beside)

provide(WORDS, wordsIn(screenLanguage()))
document.documentElement.lang = screenLanguage()

const router = useRouter()
const isOver = ref(false)

const isBackup = ({ name }: File): boolean => /\.zip$/i.test(name)

async function bring(all: Iterable<File>): Promise<void> {
  const files = [...all].filter((file) => !isBackup(file))
  const backups = [...all].filter(isBackup)
  try {
    if (backups.length > 1) throw new Fault('many-backups', 'These are several backups. Bring them in one after another.')
    if (backups.length > 0) {
      const { useBackup } = await import('../stores/backup')
      await router.push({ name: 'shelf' })
      await useBackup().look(backups[0]!)
    }
    if (files.length === 0) return
    const { useBringingIn } = await import('../stores/bringing-in')
    const reading = useBringingIn().add(files)
    await router.push({ name: 'bring-in' })
    await reading
  } catch (thrown) {
    notify(say('common.itWasNotBroughtIn', { fault: faultText(plainFault(thrown)) }), { isError: true })
  }
}
provide(BRING_IN, bring)

/** A file dropped anywhere is brought in; the browser would leave the page for it. Fields that take files of their own come first. */
const hasFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false
useEventListener(window, 'dragover', (event) => {
  if (!hasFiles(event)) return
  event.preventDefault()
  isOver.value = true
})
useEventListener(window, 'dragleave', (event) => {
  if (event.relatedTarget === null) isOver.value = false
})
useEventListener(window, 'drop', (event) => {
  isOver.value = false
  if (event.defaultPrevented || !hasFiles(event)) return
  event.preventDefault()
  void bring(event.dataTransfer!.files)
})
</script>

<template>
  <NConfigProvider :theme-overrides="theme" abstract>
    <div class="app">
      <RouterView />
      <NoticeArea />
    </div>
    <div v-if="isOver" class="drop" aria-hidden="true">{{ say('app.lookAtItBeforeIt') }}</div>
  </NConfigProvider>
</template>

<style scoped>
.app {
  height: 100vh;
  height: 100dvh;
  display: flex;
  flex-direction: column;
}
.drop {
  position: fixed;
  inset: 16px;
  z-index: 60;
  border: 3px dashed var(--accent);
  background: #fbfaf6e6;
  display: grid;
  place-items: center;
  font-size: 1.6rem;
  pointer-events: none;
}
</style>
