<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { bundleAt, type Bundle } from '@core/booklet'
import type { Language } from '@core/language'
import type { PublishedAs } from '@press/html'
import type { PainterClient } from '../workers/painter-client'
import FollowScreen from './FollowScreen.vue'
import LockedPage from './LockedPage.vue'
import { askedByLink } from './asked-by-link'
import { carriedVersion } from './carry'
import { progressKey } from './progress'
import { languageToShow, readyLanguage, useLanguage } from './use-language'
import { chosenHere, keepChosen } from './published-here'

/** The follower's page: the booklet that stands in it, or the question for its password. */
const props = defineProps<{
  bundle: Bundle | null
  published: PublishedAs | undefined
  painter: PainterClient
  /** In which it speaks first; ready. */
  language: Language
  /** It is shown within another page. */
  isEmbedded?: boolean
}>()

const bundle = shallowRef(props.bundle)
const password = shallowRef<string | undefined>()
const { words, isMissing, choose: chooseLanguage, speak } = useLanguage(props.language)
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

async function unlock(unlocked: Bundle, by: string): Promise<void> {
  // Only now it is known in which language it was written.
  speak(await readyLanguage(languageToShow(unlocked)))
  password.value = by
  bundle.value = unlocked
  document.title = unlocked.model.name
}
</script>

<template>
  <FollowScreen
    v-if="opened"
    :key="`${words.language} ${opened.shows?.id ?? ''}`"
    :words="words"
    :is-language-missing="isMissing"
    :bundle="opened"
    :painter="painter"
    :published="published"
    :password="password"
    :is-timed="isTimed"
    :is-embedded="isEmbedded"
    @choose="choose"
    @speak="chooseLanguage"
  />
  <LockedPage
    v-else-if="published"
    :id="published.id"
    :key="words.language"
    :words="words"
    :version="published.version"
    :terms="published.terms"
    :key-given="key"
    @unlocked="unlock"
  />
</template>
