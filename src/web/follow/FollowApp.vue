<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { bundleAt, type Bundle } from '@core/booklet'
import type { PublishedAs } from '@press/html'
import type { PainterClient } from '../workers/painter-client'
import FollowScreen from './FollowScreen.vue'
import LockedPage from './LockedPage.vue'
import { askedByLink } from './asked-by-link'
import { carriedVersion } from './carry'
import { progressKey } from './progress'
import { chosenHere, keepChosen } from './published-here'

/** The follower's page: the booklet that stands in it, or the question for its password. */
const props = defineProps<{ bundle: Bundle | null; published: PublishedAs | undefined; painter: PainterClient }>()

const bundle = shallowRef(props.bundle)
const password = shallowRef<string | undefined>()
/** Asked once: the follower takes the end of the address away. */
const { isTimed, key } = askedByLink(location.hash)

/** Of several versions in the booklet: the one an address brought, or the one chosen here before. */
const choiceKey = computed(() => (bundle.value ? progressKey(bundle.value, props.published?.id) : ''))
const chosen = ref(carriedVersion(location.hash))
const opened = computed(() => bundle.value && bundleAt(bundle.value, chosen.value ?? chosenHere(choiceKey.value) ?? ''))
function choose(id: string): void {
  keepChosen(choiceKey.value, id)
  chosen.value = id
}

function unlock(unlocked: Bundle, by: string): void {
  password.value = by
  bundle.value = unlocked
  document.title = unlocked.model.name
}
</script>

<template>
  <FollowScreen
    v-if="opened"
    :key="opened.shows?.id ?? ''"
    :bundle="opened"
    :painter="painter"
    :published="published"
    :password="password"
    :is-timed="isTimed"
    @choose="choose"
  />
  <LockedPage
    v-else-if="published"
    :id="published.id"
    :version="published.version"
    :terms="published.terms"
    :key-given="key"
    @unlocked="unlock"
  />
</template>
