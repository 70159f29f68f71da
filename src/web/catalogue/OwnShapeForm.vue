<script setup lang="ts">
import { computed, ref } from 'vue'
import { nearestIds, type ConnectorKind, type OwnConnector, type OwnShape } from '@core/catalogue'
import type { DirectionText, Vec } from '@core/space'
import { say } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import { notify } from '../shared/notices'
import TurnablePiece from '../shared/TurnablePiece.vue'
import { useOpenModel } from '../stores/open-model'

/** A shape of the designer's own, from boxes and connectors, with a picture that follows. It is kept in the model file. */
const emit = defineEmits<{ close: [] }>()
const open = useOpenModel()

/** Hoses, hinges and mouths are left to the file. */
const KINDS: readonly ConnectorKind[] = ['stud', 'socket', 'clip', 'bar', 'pin', 'hole', 'axle', 'cross', 'ball', 'cup', 'post', 'ring']
const WAYS: readonly DirectionText[] = ['+x', '-x', '+y', '-y', '+z', '-z']
const LONG = new Set<ConnectorKind>(['bar', 'axle'])

interface BoxRow {
  at: [number, number, number]
  size: [number, number, number]
}
interface ConnectorRow {
  kind: ConnectorKind
  at: [number, number, number]
  facing: DirectionText
  length: number
  along: DirectionText
}
const name = ref(say('catalogue.myShape'))
const boxes = ref<BoxRow[]>([{ at: [0, 0, 0], size: [20, 10, 4] }])
const connectors = ref<ConnectorRow[]>([
  { kind: 'stud', at: [5, 5, 4], facing: '+z', length: 10, along: '+x' },
  { kind: 'socket', at: [5, 5, 0], facing: '-z', length: 10, along: '+x' },
])
const problem = ref('')

const id = computed(
  () =>
    `own-${name.value
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')}`,
)
const own = computed<OwnShape>(() => ({
  id: id.value,
  name: name.value,
  boxes: boxes.value.map(({ at, size }) => ({ at: [...at] as Vec, size: [...size] as Vec })),
  connectors: connectors.value.map(({ kind, at, facing, length, along }): OwnConnector => ({
    kind,
    at: [...at] as Vec,
    facing,
    ...(LONG.has(kind) ? { length } : {}),
    ...(kind === 'clip' ? { along } : {}),
  })),
}))
/** Fields may be empty while somebody types. */
const isWhole = computed(
  () =>
    own.value.boxes.every(({ at, size }) => [...at, ...size].every(Number.isInteger) && size.every((value) => value > 0)) &&
    own.value.connectors!.every(({ at }) => at.every(Number.isInteger)),
)

async function save(): Promise<void> {
  problem.value = ''
  const known = open.source?.catalogue.shapes
  if (known?.has(id.value)) {
    problem.value = say('catalogue.thereIsAShapeAlready', { id: id.value, nearestIds: nearestIds(id.value, known.keys()).join(', ') })
    return
  }
  const shape = own.value
  problem.value = await open.tryEdit(say('catalogue.makeTheShape', { name: name.value }), (model) => ({
    ...model,
    shapes: [...(model.shapes ?? []), shape],
  }))
  if (problem.value === '') {
    notify(say('catalogue.isInTheCatalogueOf', { name: name.value, id: id.value }))
    emit('close')
  }
}
</script>

<template>
  <form class="own" :aria-label="say('catalogue.aShapeOfYourOwn')" @submit.prevent="save" @keydown.stop>
    <div class="picture">
      <TurnablePiece v-if="isWhole" shape="" colour="amber" :own="own" :width="260" :height="190" />
      <p v-else class="faint">{{ say('catalogue.thePictureWaitsForWhole') }}</p>
    </div>
    <div>
      <h2>{{ say('catalogue.aShapeOfYourOwn') }}</h2>
      <p class="faint">{{ say('catalogue.inUTenToA') }}</p>
      <label class="name">{{ say('common.name') }} <input v-model.trim="name" type="text" maxlength="60" required /></label>
      <fieldset>
        <legend>{{ say('catalogue.boxes') }}</legend>
        <div v-for="(box, i) in boxes" :key="i" class="row">
          <span>{{ i + 1 }}</span>
          <label v-for="(axis, k) in ['x', 'y', 'z']" :key="axis"
            >{{ axis }} <input v-model.number="box.at[k]" type="number" min="0" max="2000" step="1"
          /></label>
          <label v-for="(side, k) in ['wide', 'deep', 'high']" :key="side"
            >{{ side }} <input v-model.number="box.size[k]" type="number" min="1" max="2000" step="1"
          /></label>
          <button
            v-if="boxes.length > 1"
            type="button"
            class="plain-button"
            :aria-label="say('catalogue.takeOutBox', { i: i + 1 })"
            @click="boxes.splice(i, 1)"
          >
            {{ say('common.takeOut') }}
          </button>
        </div>
        <ActionButton @click="boxes.push({ at: [0, 0, 4], size: [10, 10, 4] })">{{ say('catalogue.addABox') }}</ActionButton>
      </fieldset>
      <fieldset>
        <legend>{{ say('catalogue.whatItTakesHoldBy') }}</legend>
        <div v-for="(connector, i) in connectors" :key="i" class="row">
          <label
            >{{ say('catalogue.kind') }}
            <select v-model="connector.kind">
              <option v-for="kind in KINDS" :key="kind">{{ kind }}</option>
            </select></label
          >
          <label v-for="(axis, k) in ['x', 'y', 'z']" :key="axis"
            >{{ axis }} <input v-model.number="connector.at[k]" type="number" step="1"
          /></label>
          <label
            >{{ say('catalogue.looksTo') }}
            <select v-model="connector.facing">
              <option v-for="way in WAYS" :key="way">{{ way }}</option>
            </select></label
          >
          <label v-if="LONG.has(connector.kind)"
            >{{ say('catalogue.long') }} <input v-model.number="connector.length" type="number" min="1" step="1"
          /></label>
          <label v-if="connector.kind === 'clip'"
            >{{ say('catalogue.barAlong') }}
            <select v-model="connector.along">
              <option v-for="way in WAYS" :key="way">{{ way }}</option>
            </select></label
          >
          <button
            type="button"
            class="plain-button"
            :aria-label="say('catalogue.takeOutConnector', { i: i + 1 })"
            @click="connectors.splice(i, 1)"
          >
            {{ say('common.takeOut') }}
          </button>
        </div>
        <ActionButton @click="connectors.push({ kind: 'stud', at: [15, 5, 4], facing: '+z', length: 10, along: '+x' })">{{
          say('catalogue.addAConnector')
        }}</ActionButton>
      </fieldset>
      <p v-if="problem" role="alert">{{ problem }}</p>
      <p class="acts">
        <ActionButton primary submit :disabled="!isWhole || name === ''">{{ say('catalogue.keepItInThisModel') }}</ActionButton>
        <ActionButton @click="emit('close')">{{ say('common.leaveIt') }}</ActionButton>
      </p>
    </div>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  grid-template-columns: 280px 1fr;
  gap: 24px;
  padding: 16px 28px;
  background: var(--sheet);
  border-bottom: 3px solid var(--ink);
}
fieldset {
  border: 0;
  padding: 0;
  margin: 10px 0;
}
legend {
  font-weight: 700;
  padding: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 3px 0;
}
.row label,
.name {
  display: flex;
  gap: 6px;
  align-items: center;
}
input,
select {
  font: inherit;
  min-height: 44px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  padding: 0 8px;
  background: var(--paper);
  color: inherit;
}
input[type='number'] {
  width: 76px;
}
.acts {
  display: flex;
  gap: 8px;
}
@media (max-width: 900px) {
  .own {
    grid-template-columns: 1fr;
  }
}
</style>
