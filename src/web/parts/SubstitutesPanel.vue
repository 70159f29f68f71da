<script setup lang="ts">
import { computed, onUnmounted } from 'vue'
import type { Catalogue } from '@core/catalogue'
import { pieceLine, substituteKey, substituteOf, type DeskPiece, type Substitute } from '@core/desk'
import { faultText, say, screenAdvice, screenWords } from '../language'
import { toBytes } from '../../workers/plan-messages'
import { plainFault } from '@core/fault'
import ActionButton from '../controls/ActionButton.vue'
import { notify } from '../shared/notices'
import { useBooks } from '../stores/books'
import { useOpenModel } from '../stores/open-model'
import { SubstitutesClient } from '../workers/substitutes-client'
import type { SubstitutesOrder } from '../../workers/substitutes.worker'
import { useFound } from './use-found'

/** What could stand in for pieces that are missing, each tried by planning; what is offered to builders stands in the booklet. */
const props = defineProps<{ missing: readonly DeskPiece[]; spare: readonly DeskPiece[]; catalogue: Catalogue }>()
const open = useOpenModel()
const store = useBooks()
const finder = new SubstitutesClient()
onUnmounted(() => finder.close())
const { found, problem, isLooking, look } = useFound<readonly Substitute[]>({
  basis: [(): string => JSON.stringify(props.missing), (): unknown => store.books.offers],
  async find() {
    if (!open.shown) return []
    const { missing, spare } = props
    const plain = JSON.parse(JSON.stringify({ missing, spare, offers: store.books.offers })) as Omit<SubstitutesOrder, 'model'>
    return finder.find({ ...plain, model: toBytes(open.shown) })
  },
  stop: () => finder.stop(),
})

const told = computed(() => new Set((open.model?.substitutes ?? []).map(substituteKey)))
/** Offered in the booklet, or no more. */
const offer = (substitute: Substitute, isIn: boolean): void =>
  void open.edit(isIn ? say('parts.offerASubstituteToBuilders') : say('parts.offerASubstituteNoMore'), ({ substitutes = [], ...model }) => {
    const own = substituteOf(substitute, screenAdvice())
    const others = substitutes.filter((each) => substituteKey(each) !== substituteKey(own))
    const next = isIn ? [...others, own] : others
    return next.length === 0 ? model : { ...model, substitutes: next }
  })
/** Into the model itself: it takes other pieces then, and is planned anew. */
async function take(substitute: Substitute): Promise<void> {
  const { model } = open
  if (!model) return
  const taken = await finder.take(model, JSON.parse(JSON.stringify(substitute)) as Substitute).catch((thrown: unknown) => {
    problem.value = faultText(plainFault(thrown))
  })
  if (!taken) return
  if (open.model !== model) return notify(say('parts.theModelHasChangedMeanwhile'))
  if (JSON.stringify(taken) === JSON.stringify(model)) return notify(say('parts.theModelAsDesignedDoes'))
  if (await open.edit(say('parts.takeASubstitute'), () => taken))
    notify(say('parts.doneInTheModel', { use: usedWords(substitute) }), {
      act: { label: say('common.undo'), run: () => void open.undo() },
    })
}
const words = (piece: DeskPiece): string => pieceLine(piece, props.catalogue, screenWords())
const usedWords = ({ use }: Substitute): string => screenWords().list(use.map(words))
</script>

<template>
  <section v-if="missing.length > 0" :aria-label="say('parts.whatCouldStandIn')" class="substitutes">
    <h2>{{ say('parts.whatCouldStandIn') }}</h2>
    <p v-if="!isLooking && !found">
      <ActionButton @click="look">{{ say('parts.lookForSubstitutes') }}</ActionButton>
    </p>
    <p v-if="isLooking" class="acts" role="status">
      {{ say('parts.tryingWhatElseWouldHold') }} <ActionButton @click="finder.stop()">{{ say('common.stop') }}</ActionButton>
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-if="found && found.length === 0" role="status">{{ say('parts.nothingThatIsSpareOr') }}</p>
    <ul v-if="found && found.length > 0" :aria-label="say('parts.substitutes')">
      <li v-for="(substitute, i) in found" :key="i">
        <b>{{ words(substitute.for) }}</b>{{
          say('parts.instead', { use: usedWords(substitute), consequence: screenAdvice().say(substitute.told) })
        }}
        <label class="tick"
          ><input
            type="checkbox"
            :checked="told.has(substituteKey(substitute))"
            @change="offer(substitute, ($event.target as HTMLInputElement).checked)"
          />
          {{ say('parts.offerItToBuildersIn') }}</label
        >
        <ActionButton :describe="say('parts.takeIntoTheModel', { use: usedWords(substitute) })" @click="take(substitute)">{{
          say('parts.takeItIntoTheModel')
        }}</ActionButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 22px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  overflow-wrap: anywhere;
}
</style>
