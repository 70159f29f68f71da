<script setup lang="ts">
import { computed } from 'vue'
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
    <h2 id="helper-heading">By somebody else</h2>
    <template v-if="publication">
      <p class="about">
        Give this link to a helper. The clock runs there as it does here, and at the end all of it comes to you as a letter; take it from
        there.
      </p>
      <p class="link">{{ link }}</p>
      <p class="acts">
        <ActionButton @click="copyLink(link)">Copy the link</ActionButton>
        <RouterLink :to="{ name: 'letters', params: { id: publication.id } }">Letters from builders</RouterLink>
      </p>
    </template>
    <p v-else class="about">
      A helper builds what is published. Publish it first,
      <RouterLink :to="{ name: 'booklet', params: { id: open.id } }">for reviewers alone</RouterLink>
      if nobody else is to see it yet.
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
