<script setup lang="ts">
import { computed } from 'vue'
import { changeVariant } from '@core/edits'
import { say } from '../language'
import { useOpenModel } from '../stores/open-model'

/** Which versions have their steps in the booklet, beside the model as its options say. */
const open = useOpenModel()
const variants = computed(() => open.model?.variants ?? [])
const put = (id: string, name: string, isIn: boolean): void =>
  void open.edit(isIn ? say('booklet.putIntoTheBooklet', { name }) : say('booklet.leaveOutOfTheBooklet', { name }), (model) =>
    changeVariant(model, id, { inBooklet: isIn }),
  )
</script>

<template>
  <fieldset v-if="variants.length > 0">
    <legend>{{ say('booklet.versionsInIt') }}</legend>
    <label v-for="{ id, name, inBooklet } in variants" :key="id"
      ><input type="checkbox" :checked="inBooklet === true" @change="put(id, name, ($event.target as HTMLInputElement).checked)" />
      {{ name }}</label
    >
    <p class="faint">{{ say('booklet.besideTheModelAsDesigned') }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
}
legend {
  font-weight: 700;
}
label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 36px;
  overflow-wrap: anywhere;
}
p {
  margin: 4px 0 0;
}
</style>
