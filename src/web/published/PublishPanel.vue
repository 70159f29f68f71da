<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import type { Bundle } from '@core/booklet'
import { plainFault } from '@core/fault'
import { faultText, say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { copyLink } from '../shared/copy-link'
import LinkCode from '../shared/LinkCode.vue'
import { notify } from '../shared/notices'
import type { Publication } from '../storage/database'
import { linkTo, usePublications } from '../stores/publications'
import { accessWords, dateWords } from './published-words'
import { changeSettings, describeBooklet, type PublishedBooklet } from './server-client'
import { changedSettings, draftOf, firstSettings, NEW_DRAFT } from './settings-draft'
import SettingsForm from './SettingsForm.vue'

/** A link that builders follow: the first version, the next ones, who may read them, and the end. */
const { modelId, whole } = defineProps<{
  modelId: string
  /** The booklet with all its versions; they may have to be planned first. */
  whole: () => Promise<Bundle>
}>()

const publications = usePublications()
const publication = computed(() => publications.of(modelId))
const booklet = shallowRef<PublishedBooklet | null>(null)
const draft = ref({ ...NEW_DRAFT })
const whatChanged = ref('')
const isBusy = ref(false)
const isEnding = ref(false)
const linkBox = ref<HTMLElement>()

const link = computed(() => (publication.value ? linkTo(publication.value) : ''))
async function describe(of: Publication): Promise<void> {
  try {
    booklet.value = await describeBooklet(of.id, of.ownerToken)
    draft.value = draftOf(booklet.value)
  } catch {
    // Who may read it is told when the server answers again; the link stands all the same.
    booklet.value = null
  }
}
void publications.load()
watch(
  () => publication.value?.id,
  () => publication.value && describe(publication.value),
  { immediate: true },
)

/** One thing at a time; what is refused is told, and nothing has changed. */
async function act(what: string, work: () => Promise<string>): Promise<void> {
  isBusy.value = true
  try {
    notify(await work())
  } catch (thrown) {
    notify(say('published.youCanStillExportIt', { what, fault: faultText(plainFault(thrown)) }), { isError: true })
  } finally {
    isBusy.value = false
  }
}

const publish = (): Promise<void> =>
  act(say('published.theBookletWasNotPublished'), async () => {
    await publications.publish(modelId, await whole(), firstSettings(draft.value))
    await nextTick()
    linkBox.value?.focus()
    return say('published.theBookletIsPublished')
  })

const publishForReview = (): Promise<void> =>
  act(say('published.theBookletWasNotPublished'), async () => {
    await publications.publishForReview(modelId, await whole(), firstSettings(draft.value))
    await nextTick()
    linkBox.value?.focus()
    return say('published.whoeverHasTheLinkCan')
  })

const openToAll = (of: Publication): Promise<void> =>
  act(say('published.itWasNotOpenedTo'), async () => {
    booklet.value = await changeSettings(of.id, of.ownerToken, { password: null })
    await publications.endReview(of)
    draft.value = draftOf(booklet.value)
    return accessWords(booklet.value)
  })

const publishNext = (of: Publication): Promise<void> =>
  act(say('published.theVersionWasNotPublished'), async () => {
    const isNew = await publications.publishNext(of, await whole(), whatChanged.value)
    whatChanged.value = ''
    await describe(publication.value!)
    return isNew
      ? say('published.versionIsPublishedUnderThe', { version: publication.value!.version })
      : say('published.nothingHasChangedSinceThe')
  })

const saveSettings = (of: Publication): Promise<void> =>
  act(say('published.theSettingsWereNotSaved'), async () => {
    booklet.value = await changeSettings(of.id, of.ownerToken, changedSettings(draft.value))
    // Reviewers come in by the password of their link: with another one they would not.
    const { password, dropsPassword } = draft.value
    if (password !== '' || dropsPassword) await publications.endReview(of)
    draft.value = draftOf(booklet.value)
    return accessWords(booklet.value)
  })

const withdraw = (of: Publication): Promise<void> =>
  act(say('published.theBookletWasNotWithdrawn'), async () => {
    await publications.withdraw(of)
    isEnding.value = false
    booklet.value = null
    draft.value = { ...NEW_DRAFT }
    return say('published.theBookletIsWithdrawnIts')
  })
</script>

<template>
  <section class="publish" aria-labelledby="publish-heading">
    <h2 id="publish-heading">{{ say('published.publish') }}</h2>
    <template v-if="!publication">
      <ActionButton primary :disabled="isBusy" @click="publish">{{
        isBusy ? say('published.publishing') : say('published.publishAndGetALink')
      }}</ActionButton>
      <ActionButton :disabled="isBusy" @click="publishForReview">{{ say('published.letReviewersLookFirst') }}</ActionButton>
      <details>
        <summary>{{ say('published.termsFreeTimePassword') }}</summary>
        <SettingsForm v-model="draft" />
      </details>
    </template>
    <template v-else>
      <div class="published">
        <p ref="linkBox" tabindex="-1">
          {{ publication.reviewKey ? say('published.forReviewersOnlyWhoeverHas') : say('published.publishedWhoeverHasThisLink') }}<br /><a
            :href="link"
            target="_blank"
            rel="noopener"
            >{{ link }}</a
          >
        </p>
        <p v-if="booklet" class="faint">
          {{
            say('published.version', {
              version: publication.version,
              date: dateWords(booklet.versions.at(-1)!.date),
              accessWords: accessWords(booklet),
            })
          }}
        </p>
        <ActionButton v-if="publication.reviewKey" primary :disabled="isBusy" @click="openToAll(publication)">{{
          say('published.openItToAll')
        }}</ActionButton>
        <ActionButton @click="copyLink(link)">{{ say('common.copyTheLink') }}</ActionButton>
        <LinkCode :link="link" :label="say('published.theLinkAsACode')" />
      </div>
      <label class="changed"
        >{{ say('published.whatChangedInYourWords') }}
        <textarea v-model="whatChanged" class="plain-field" rows="2" maxlength="20000" />
      </label>
      <ActionButton primary :disabled="isBusy" @click="publishNext(publication)">{{
        isBusy ? say('published.publishing') : say('published.publishAsTheNextVersion')
      }}</ActionButton>
      <details v-if="booklet">
        <summary>{{ say('published.termsFreeTimePassword') }}</summary>
        <SettingsForm v-model="draft" is-published :has-password="booklet.access === 'password' || booklet.window?.after === 'password'" />
        <ActionButton :disabled="isBusy" @click="saveSettings(publication)">{{ say('published.saveTheseSettings') }}</ActionButton>
      </details>
      <RouterLink class="letters" :to="{ name: 'letters', params: { id: publication.id } }">{{
        say('common.lettersFromBuilders')
      }}</RouterLink>
      <ActionButton v-if="!isEnding" @click="isEnding = true">{{ say('published.withdraw') }}</ActionButton>
      <div v-else class="ending" role="group" :aria-label="say('published.withdraw')">
        <p>
          {{ say('published.theLinkWillSayThat') }}
        </p>
        <ActionButton :disabled="isBusy" @click="withdraw(publication)">{{ say('published.withdrawForGood') }}</ActionButton>
        <ActionButton @click="isEnding = false">{{ say('common.keepIt') }}</ActionButton>
      </div>
    </template>
  </section>
</template>

<style scoped>
.publish {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.publish > * {
  margin: 0;
}
.published {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.published p {
  margin: 0;
  overflow-wrap: anywhere;
}
.published p:focus {
  outline: none;
}
.changed {
  display: grid;
  width: 100%;
}
details {
  width: 100%;
}
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
}
details :deep(.settings) {
  margin-bottom: 10px;
}
.letters {
  min-height: 44px;
  display: flex;
  align-items: center;
}
.ending {
  border-left: 3px solid var(--accent);
  padding-left: 12px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.ending p {
  margin: 0;
}
</style>
