<script setup lang="ts">
import { shallowRef } from 'vue'
import type { Bundle } from '@core/booklet'
import type { PublishedAs } from '@press/html'
import type { PainterClient } from '../workers/painter-client'
import FollowScreen from './FollowScreen.vue'
import LockedPage from './LockedPage.vue'

/** The follower's page: the booklet that stands in it, or the question for its password. */
const props = defineProps<{ bundle: Bundle | null; published: PublishedAs | undefined; painter: PainterClient }>()

const bundle = shallowRef(props.bundle)
const password = shallowRef<string | undefined>()

function unlock(unlocked: Bundle, by: string): void {
  password.value = by
  bundle.value = unlocked
  document.title = unlocked.model.name
}
</script>

<template>
  <FollowScreen v-if="bundle" :bundle="bundle" :painter="painter" :published="published" :password="password" />
  <LockedPage v-else-if="published" :id="published.id" :version="published.version" :terms="published.terms" @unlocked="unlock" />
</template>
