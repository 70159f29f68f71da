<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import type { Problem } from '@core/fault'
import { say } from '../language'
import { problemWords } from '../language/problem-words'
import ActionButton from '../controls/ActionButton.vue'
import { titleOf } from './titles'

/** All that is wrong with a table, each with what would do, mended in place. */
const props = defineProps<{ problems: readonly Problem[] }>()
const emit = defineEmits<{
  write: [problem: Problem, value: string, isRemembered: boolean]
  name: [problem: Problem, id: string]
}>()
const typed = reactive<Record<string, string>>({})
const isRemembered = ref(true)
/** Hundreds of rows at once are read by nobody. */
const SHOWN = 60
const shown = computed(() => props.problems.slice(0, SHOWN).map((problem) => ({ problem, words: problemWords(problem) })))

const keyOf = ({ place }: Problem): string => place
const put = (problem: Problem, value: string): void => emit('write', problem, value, isRemembered.value)
function choose(problem: Problem, id: string): void {
  if (isRemembered.value) emit('name', problem, id)
  else put(problem, id)
}
</script>

<template>
  <div class="problems">
    <label v-if="problems.some(({ nearest }) => nearest)" class="remember">
      <input v-model="isRemembered" type="checkbox" /> {{ say('bringIn.rememberWhatIChooseAs') }}
    </label>
    <div class="scroll" tabindex="0" role="region" :aria-label="say('bringIn.whatCannotBeRead')">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ say('bringIn.row') }}</th>
            <th scope="col">{{ say('bringIn.column2') }}</th>
            <th scope="col">{{ say('bringIn.standsThere') }}</th>
            <th scope="col">{{ say('bringIn.whatWouldDo') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="({ problem, words }, i) in shown" :key="keyOf(problem)">
            <td>{{ problem.row ?? '' }}</td>
            <td>{{ problem.column ?? '' }}</td>
            <td>
              <b>{{ problem.said || say('bringIn.nothing') }}</b><br />
              <span class="faint">{{ words.message }}</span>
            </td>
            <td>
              <div v-if="problem.nearest" class="nearest" role="group" :aria-label="say('bringIn.whatCouldBe', { said: problem.said })">
                <button v-for="id in problem.nearest.ids" :key="id" class="plain-button framed" @click="choose(problem, id)">
                  {{ titleOf(problem.nearest.kind, id) }}
                </button>
              </div>
              <p v-else-if="words.wayOut" class="way">{{ words.wayOut }}</p>
              <form v-if="problem.column" class="write" @submit.prevent="put(problem, typed[keyOf(problem)] ?? problem.said ?? '')">
                <label class="sr-only" :for="`cell-${i}`">{{ words.place }}</label>
                <input
                  :id="`cell-${i}`"
                  class="plain-field"
                  :value="typed[keyOf(problem)] ?? problem.said"
                  @input="typed[keyOf(problem)] = ($event.target as HTMLInputElement).value"
                />
                <ActionButton submit>{{ say('bringIn.writeIt') }}</ActionButton>
              </form>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="problems.length > SHOWN" class="faint">{{ say('bringIn.andMoreShownAsThese', { problems: problems.length - SHOWN }) }}</p>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 700;
  padding: 4px 16px 4px 0;
  border-bottom: 2px solid var(--ink);
}
td {
  vertical-align: top;
  padding: 8px 16px 8px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
.nearest,
.write {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-bottom: 6px;
}
.way {
  margin: 0 0 6px;
}
.write input {
  width: 12rem;
}
.remember {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
}
</style>
