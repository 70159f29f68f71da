<script setup lang="ts">
import { NConfigProvider } from 'naive-ui'
import { theme } from './theme'
import NoticeArea from '../shared/NoticeArea.vue'
</script>

<template>
  <NConfigProvider :theme-overrides="theme" abstract>
    <RouterView />
    <NoticeArea />
  </NConfigProvider>
</template>
