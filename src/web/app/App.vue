<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { provide } from 'vue'
import { OWN_NAMES } from '../shared/own-names-key'
import { useOwnNames } from '../stores/own-names'
import { theme } from './theme'
import NoticeArea from '../shared/NoticeArea.vue'

const names = useOwnNames()
void names.load()
provide(OWN_NAMES, names.beside)
</script>

<template>
  <NConfigProvider :theme-overrides="theme" abstract>
    <RouterView />
    <NoticeArea />
  </NConfigProvider>
</template>
