<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ReadLine } from '@core/formats'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { titleOf } from './titles'

/** A log line by line beside the pieces it was read as; unclear words are mended by a click, or in the text itself. */
const props = defineProps<{ text: string; report: Readonly<Record<string, unknown>> | undefined }>()
const emit = defineEmits<{ change: [text: string] }>()
const draft = ref(props.text)
watch(
  () => props.text,
  (text) => (draft.value = text),
)

interface UnclearLine {
  readonly line: number
  readonly words: string
  readonly nearest: readonly string[]
}
const lines = computed(() => (props.report?.read ?? []) as readonly ReadLine[])
const unclear = computed(() => (props.report?.unclear ?? []) as readonly UnclearLine[])

/** Writes the piece that was meant into its line: the size that was said gives way to the whole name. */
function mean({ line, words }: UnclearLine, id: string): void {
  const all = props.text.split('\n')
  const title = titleOf('shape', id).replace(/ × /g, 'x')
  const core = words.replace(/^(?:an?|the|one|two|three|four|five|six|seven|eight|nine|ten|\d+)\s+/i, '')
  const at = all[line - 1]?.toLowerCase().indexOf(core.toLowerCase()) ?? -1
  if (at < 0) return
  all[line - 1] = `${all[line - 1]!.slice(0, at)}${title}${all[line - 1]!.slice(at + core.length)}`
  emit('change', all.join('\n'))
}
</script>

<template>
  <section class="log" :aria-label="say('bringIn.theLog')">
    <div class="said">
      <label for="log-text">{{ say('bringIn.whatWasSaid') }}</label>
      <textarea id="log-text" v-model="draft" class="plain-field" rows="12" spellcheck="false" @keydown.stop />
      <ActionButton :disabled="draft === text" @click="emit('change', draft)">{{ say('bringIn.readItAgain') }}</ActionButton>
    </div>
    <div class="read">
      <h2>{{ say('common.whatWasUnderstood') }}</h2>
      <ol :aria-label="say('bringIn.linesAndTheirPieces')">
        <li v-for="(line, i) in lines" :key="i">
          <span class="number faint">{{ line.line }}</span>
          <span>
            <b v-if="i === 0 || line.section !== lines[i - 1]!.section" class="section">{{ line.section || say('bringIn.beginning') }}</b>
            {{ line.text }}
            <span v-if="line.pieces.length === 0" class="faint">{{ say('bringIn.noPiece') }}</span>
            <span v-for="(piece, k) in line.pieces" :key="k" class="piece"
              >{{ piece.count }} × {{ titleOf('shape', piece.shape) }}, {{ titleOf('colour', piece.colour)
              }}<template v-if="piece.isColourless">{{ ` ${say('bringIn.notTold')}` }}</template></span
            >
          </span>
        </li>
      </ol>
      <ul v-if="unclear.length > 0" :aria-label="say('bringIn.wordsThatAreUnclear')">
        <li v-for="(each, i) in unclear" :key="i" class="unclear">
          <span
            ><span aria-hidden="true">▲ </span>{{ say('bringIn.line', { line: each.line }) }} <b>{{ each.words.trim() }}</b>
            {{ each.nearest.length > 0 ? say('bringIn.couldBe') : say('bringIn.isNoPieceThatIs') }}</span
          >
          <button v-for="id in each.nearest" :key="id" class="plain-button framed" @click="mean(each, id)">
            {{ titleOf('shape', id) }}
          </button>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.log {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 28px;
}
.said {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
ol,
ul {
  list-style: none;
  margin: 8px 0;
  padding: 0;
}
li {
  display: flex;
  gap: 12px;
  padding: 4px 0;
  overflow-wrap: anywhere;
}
.number {
  min-width: 2ch;
  text-align: right;
}
.section {
  display: block;
  margin-top: 6px;
}
.piece {
  display: inline-block;
  margin: 2px 8px 2px 0;
  padding: 0 6px;
  border-left: 3px solid var(--accent);
  background: var(--accent-wash);
}
.unclear {
  flex-wrap: wrap;
  align-items: center;
  color: var(--warn);
}
@media (max-width: 800px) {
  .log {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
