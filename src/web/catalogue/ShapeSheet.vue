<script setup lang="ts">
import { computed, ref } from 'vue'
import { massOf, receivedHold, givenHolds, socketCount, studCount, type Shape, turningOf } from '@core/catalogue'
import { fromU, type LengthUnit } from '@core/fit'
import { familyWords } from './family-words'
import { say, sayCount, sayFigure, sayNumber, screenAdvice } from '../language'
import LineField from '../controls/LineField.vue'
import PiecePicture from '../shared/PiecePicture.vue'
import TurnablePiece from '../shared/TurnablePiece.vue'
import { usePaintSource } from '../shared/painter-key'
import { useOwnNames } from '../stores/own-names'

/** One shape opened: seen from all sides, measured, in every colour, with its twin and the designer's own name. */
const props = defineProps<{ shape: Shape; colour: string }>()
const emit = defineEmits<{ close: []; colour: [id: string]; open: [id: string] }>()
const source = usePaintSource()
const names = useOwnNames()
const picture = ref<InstanceType<typeof TurnablePiece>>()
const colours = computed(() => [...(source.value?.catalogue.colours.values() ?? [])])
const colourName = computed(() => colours.value.find(({ id }) => id === props.colour)?.name ?? props.colour)
const twin = computed(() => {
  const id = props.shape.mirror.twin
  return id === null || id === props.shape.id ? undefined : source.value?.catalogue.shapes.get(id)
})
const figure = (u: number, unit: LengthUnit): string => sayFigure(fromU(u, unit), 2)
const sizes = computed(() =>
  ([say('catalogue.along2'), say('catalogue.across'), say('catalogue.high')] as const).map((label, axis) => {
    const u = props.shape.box[axis]!
    return { label, studs: figure(u, 'studs'), plates: figure(u, 'plates'), mm: figure(u, 'mm') }
  }),
)
const holds = computed(() => {
  const words = new Set<string>()
  for (const { kind } of props.shape.connectors) {
    if (kind === 'stud' || kind === 'socket') continue
    const gives = givenHolds(kind)
    if (gives.length > 0)
      for (const hold of gives) words.add(say('catalogue.goesInto', { holdWords: screenAdvice().say({ key: `holds.${hold}` }) }))
    else
      words.add(
        kind === 'mouth'
          ? say('catalogue.takesAStudInIts')
          : say('catalogue.isA', { holdWords: screenAdvice().say({ key: `holdA.${receivedHold(kind)}` }) }),
      )
  }
  return [...words]
})
const alias = computed(() => names.find('shape', props.shape.id))

function onKey(event: KeyboardEvent): void {
  if ((event.target as HTMLElement).closest('input') || picture.value?.onKey(event)) return
  if (event.key !== 'Escape') return
  emit('close')
  event.preventDefault()
  event.stopPropagation()
}
const TURNED = {
  'every quarter': say('catalogue.turnedOnTheTableIt'),
  half: say('catalogue.turnedOnTheTableItLooks'),
  none: say('catalogue.everyTurnOnTheTable'),
} as const
const turningWords = computed(() => {
  const { looks, isTrap } = turningOf(props.shape)
  return isTrap ? say('catalogue.itGoesOnHalfRound', { turned: TURNED[looks[2]] }) : TURNED[looks[2]]
})

const rename = (field: 'name' | 'number', text: string): void => void names.name('shape', props.shape.id, { [field]: text })
</script>

<template>
  <section class="sheet" :aria-label="shape.title" @keydown="onKey">
    <div class="picture">
      <TurnablePiece ref="picture" :shape="shape.id" :colour="colour" />
    </div>
    <div class="words">
      <h2 tabindex="-1">{{ shape.title }}</h2>
      <p class="faint">
        {{ familyWords(shape.family) }} · <code>{{ shape.id }}</code> {{ say('catalogue.aboutG', { massOf: sayNumber(massOf(shape), 1) }) }}
      </p>
      <table>
        <caption class="sr-only">
          {{
            say('catalogue.sizeOfTheBody')
          }}
        </caption>
        <thead>
          <tr>
            <td />
            <th scope="col">{{ say('catalogue.studs2') }}</th>
            <th scope="col">{{ say('catalogue.plates2') }}</th>
            <th scope="col">{{ say('catalogue.mm') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="size in sizes" :key="size.label">
            <th scope="row">{{ size.label }}</th>
            <td>{{ size.studs }}</td>
            <td>{{ size.plates }}</td>
            <td>{{ size.mm }}</td>
          </tr>
        </tbody>
      </table>
      <p>
        {{ sayCount('count.studs', studCount(shape)) }}, {{ sayCount('count.sockets', socketCount(shape))
        }}<template v-for="hold in holds" :key="hold">, {{ hold }}</template
        >.
      </p>
      <p>{{ turningWords }}</p>
      <p v-if="twin">
        {{ say('catalogue.itsMirrorImageIs') }}
        <button type="button" class="link" @click="emit('open', twin.id)">{{ twin.title }}</button>.
      </p>
      <p v-else-if="shape.mirror.twin === null">{{ say('catalogue.itHasNoMirrorImage') }}</p>
      <p v-else class="faint">{{ say('catalogue.itIsItsOwnMirror') }}</p>
      <div class="own">
        <LineField :label="say('catalogue.yourName')" :value="alias?.name ?? ''" :maxlength="80" :commit="(text) => rename('name', text)" />
        <LineField
          :label="say('catalogue.yourNumber')"
          :value="alias?.number ?? ''"
          :maxlength="40"
          :commit="(text) => rename('number', text)"
        />
      </div>
    </div>
    <div class="colours">
      <h3>{{ say('catalogue.in', { colourName }) }}</h3>
      <ul :aria-label="say('common.colours')">
        <li v-for="each in colours" :key="each.id">
          <button
            type="button"
            :aria-pressed="each.id === colour"
            :aria-label="each.name"
            :title="each.name"
            @click="emit('colour', each.id)"
          >
            <PiecePicture :shape="shape.id" :colour="each.id" :width="40" :height="30" />
          </button>
        </li>
      </ul>
    </div>
    <button type="button" class="plain-button close" :aria-label="say('common.close')" @click="emit('close')">
      {{ say('common.close') }} <kbd>{{ say('common.esc') }}</kbd>
    </button>
  </section>
</template>

<style scoped>
.sheet {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 320px minmax(260px, 1fr) minmax(240px, 1fr);
  gap: 24px;
  padding: 16px 20px;
  background: var(--sheet);
  border-top: 3px solid var(--ink);
  border-bottom: 1px solid var(--ink);
  position: relative;
}
.picture p {
  margin: 0;
}
.turns {
  display: flex;
  gap: 6px;
  margin-top: 8px;
}
.words p {
  margin: 6px 0;
}
table {
  border-collapse: collapse;
}
th,
td {
  text-align: right;
  padding: 2px 12px 2px 0;
  font-weight: 400;
}
tbody th {
  text-align: left;
}
thead th {
  color: var(--faint);
}
.own {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  margin-top: 10px;
}
.colours ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
.colours button {
  border: 2px solid transparent;
  background: none;
  padding: 2px;
  border-radius: 3px;
  cursor: pointer;
  min-width: 44px;
  min-height: 44px;
}
.colours button[aria-pressed='true'] {
  border-color: var(--ink);
}
.link {
  font: inherit;
  color: var(--accent);
  background: none;
  border: 0;
  padding: 0;
  text-decoration: underline;
  cursor: pointer;
}
.close {
  position: absolute;
  top: 6px;
  right: 10px;
}
@media (max-width: 1000px) {
  .sheet {
    grid-template-columns: 1fr;
  }
}
</style>
