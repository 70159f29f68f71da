<script setup lang="ts">
import { computed } from 'vue'
import { changeOption } from '@core/edits'
import type { ModelDocument } from '@core/model'
import { say } from '../language'
import ChoiceList from '../controls/ChoiceList.vue'

type TiedOption = NonNullable<ModelDocument['options']>[number]

/** Which other options one needs, and which it rules out. */
const props = defineProps<{
  option: TiedOption
  options: readonly TiedOption[]
  edit: (label: string, change: (model: ModelDocument) => ModelDocument) => Promise<boolean>
}>()
const TIES = [
  { value: '', label: say('versions.mayBeInOrNot') },
  { value: 'needs', label: say('versions.mustBeInToo') },
  { value: 'rulesOut', label: say('versions.mustNotBeIn') },
]
const others = computed(() =>
  props.options
    .filter(({ id }) => id !== props.option.id)
    .map(({ id, name }) => {
      const { needs = [], rulesOut = [] } = props.option
      return { id, name, tie: needs.includes(id) ? 'needs' : rulesOut.includes(id) ? 'rulesOut' : '' }
    }),
)
function tie(other: string, how: string): void {
  const { needs = [], rulesOut = [] } = props.option
  const without = (ids: readonly string[]): string[] => ids.filter((id) => id !== other)
  const next = {
    needs: how === 'needs' ? [...without(needs), other] : without(needs),
    rulesOut: how === 'rulesOut' ? [...without(rulesOut), other] : without(rulesOut),
  }
  void props.edit(say('versions.tieToAnotherOption', { name: props.option.name }), (model) => changeOption(model, props.option.id, next))
}
</script>

<template>
  <details v-if="others.length > 0">
    <summary class="opener">{{ say('versions.whatGoesWith', { name: option.name }) }}</summary>
    <ul>
      <li v-for="other in others" :key="other.id">
        <span>{{ other.name }}:</span>
        <ChoiceList
          :model-value="other.tie"
          :label="say('versions.and', { name: option.name, name2: other.name })"
          is-label-hidden
          :options="TIES"
          @update:model-value="(how) => tie(other.id, how)"
        />
      </li>
    </ul>
  </details>
</template>

<style scoped>
details {
  flex-basis: 100%;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 3px 0;
}
</style>
