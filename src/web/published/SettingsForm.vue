<script setup lang="ts">
import { say } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'
import type { SettingsDraft } from './settings-draft'

/** Terms, free time and password of a booklet. */
const { isPublished = false, hasPassword = false } = defineProps<{ isPublished?: boolean; hasPassword?: boolean }>()
const draft = defineModel<SettingsDraft>({ required: true })

const set = (change: Partial<SettingsDraft>): void => void (draft.value = { ...draft.value, ...change })
const textOf = (event: Event): string => (event.target as HTMLInputElement).value
const isOn = (event: Event): boolean => (event.target as HTMLInputElement).checked

const AFTER = [
  { value: 'closed', label: say('published.closedToAll') },
  { value: 'password', label: say('published.readWithThePassword') },
]
</script>

<template>
  <div class="settings">
    <label
      >{{ say('published.termsInYourOwnWords') }}
      <textarea class="plain-field" rows="2" maxlength="20000" :value="draft.terms" @input="set({ terms: textOf($event) })" />
    </label>
    <label
      >{{ say('published.freeForAllUntil') }}
      <input class="plain-field" type="date" :value="draft.freeUntil" @input="set({ freeUntil: textOf($event) })" />
    </label>
    <template v-if="draft.freeUntil !== ''">
      <ChoiceList
        :label="say('published.fromThatDay')"
        :model-value="draft.after"
        :options="AFTER"
        @update:model-value="set({ after: $event as SettingsDraft['after'] })"
      />
      <label
        >{{ say('published.aWordToThoseWho') }}
        <input class="plain-field" maxlength="2000" :value="draft.note" @input="set({ note: textOf($event) })" />
      </label>
    </template>
    <label
      >{{ hasPassword ? say('published.anotherPassword') : say('published.password') }}
      <input class="plain-field" autocomplete="off" maxlength="1000" :value="draft.password" @input="set({ password: textOf($event) })" />
    </label>
    <label v-if="hasPassword && draft.password === ''" class="check"
      ><input type="checkbox" :checked="draft.dropsPassword" @change="set({ dropsPassword: isOn($event) })" />
      {{ say('published.takeThePasswordAway') }}</label
    >
    <label v-if="isPublished" class="check"
      ><input type="checkbox" :checked="draft.takesQuestions" @change="set({ takesQuestions: isOn($event) })" />
      {{ say('published.buildersMayWriteToMe') }}</label
    >
  </div>
</template>

<style scoped>
.settings {
  display: grid;
  gap: 10px;
}
label {
  display: grid;
  gap: 2px;
}
label.check {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
input[type='checkbox'] {
  width: 22px;
  height: 22px;
}
</style>
