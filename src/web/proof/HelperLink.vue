<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { copyLink } from '../shared/copy-link'
import { useOpenModel } from '../stores/open-model'
import { proofLinkTo, usePublications } from '../stores/publications'

/** Somebody else builds it with a clock: by a link to what is published. */
const open = useOpenModel()
const publications = usePublications()
void publications.load().catch(() => undefined)
const publication = computed(() => publications.of(open.id))
const link = computed(() => (publication.value ? proofLinkTo(publication.value) : ''))
</script>

<template>
  <section aria-labelledby="helper-heading">
    <h2 id="helper-heading">{{ say('proof.bySomebodyElse') }}</h2>
    <template v-if="publication">
      <p class="about">
        {{ say('proof.giveThisLinkToA') }}
      </p>
      <p class="link">{{ link }}</p>
      <p class="acts">
        <ActionButton @click="copyLink(link)">{{ say('common.copyTheLink') }}</ActionButton>
        <RouterLink :to="{ name: 'letters', params: { id: publication.id } }">{{ say('common.lettersFromBuilders') }}</RouterLink>
      </p>
    </template>
    <p v-else class="about">
      {{ say('proof.aHelperBuildsWhatIs') }}
      <RouterLink :to="{ name: 'booklet', params: { id: open.id } }">{{ say('proof.forReviewersAlone') }}</RouterLink>
      {{ say('proof.ifNobodyElseIsTo') }}
    </p>
  </section>
</template>

<style scoped>
.about {
  max-width: 70ch;
}
.link {
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 16px;
}
h2 {
  margin-top: 22px;
}
a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
