<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { buildRounds } from '@core/booklet'
import { massWords, momentsOf, momentSaid, sectionMasses } from '@core/count'
import { askMass, describeModel, moveSection, renameSection } from '@core/edits'
import { asBuilt, copiesOf, sectionUses, type AskedMass } from '@core/model'
import { ownPieceCount } from '@core/scene'
import { acceptSuggestion, type Suggestion } from '@core/suggestions'

import { often } from '@core/language'
import { type ScreenKey, say, sayCount, screenAdvice, screenWords } from '../language'
import ActionButton from '../controls/ActionButton.vue'
import LineField from '../controls/LineField.vue'
import TextArea from '../controls/TextArea.vue'
import WorkBar from '../controls/WorkBar.vue'
import { notify } from '../shared/notices'
import { useOpenModel } from '../stores/open-model'
import { useDraggedNodes } from './dragged-nodes'
import SectionPieces from './SectionPieces.vue'
import SuggestionItem from './SuggestionItem.vue'
import { SHOWN, useSuggestions } from './use-suggestions'

const open = useOpenModel()
const { found, pictures, problem, fraction, what, look, cutAll, forget, stop } = useSuggestions()
const isMaking = ref(false)

const lines = computed(() => {
  const model = open.model
  if (!model) return []
  const uses = sectionUses(model)
  return model.sections.map((section, i) => {
    const { times, mirrored } = uses.get(section.id)!
    const own = ownPieceCount(model, section.id)
    return {
      id: section.id,
      name: section.name,
      own,
      copies: copiesOf(section).length,
      weighs: massWords(sectionMasses(model).get(section.id)!, screenWords()),
      mass: section.mass ?? {},
      moment: momentsOf(model).get(section.id),
      times,
      mirrored,
      isFirst: i === 0,
      isLast: i === model.sections.length - 1,
      isRoot: section.id === model.root,
    }
  })
})
/** A field that is emptied asks for nothing. */
const weigh = (id: string, bound: keyof AskedMass) => (text: string) => {
  const grams = text === '' ? undefined : Number(text)
  if (grams === undefined || Number.isFinite(grams))
    void open.edit(say('sections.sayWhatASectionMust'), (model) => askMass(model, id, bound, grams))
}
/** What several people can build at the same time, one round after another. */
const rounds = computed(() => {
  const plans = open.report?.sections ?? []
  if (!open.model || plans.length < 2) return []
  const names = new Map(open.snapshot!.layout.lanes.map(({ section, letter, name }) => [section, `${letter} ${name}`]))
  return buildRounds(open.model, plans).map((ids) => ids.map((id) => names.get(id) ?? id))
})
const nameOf = (id: string): string => open.model?.sections.find((section) => section.id === id)?.name ?? id

/** What was found is of the document as it was: an edit elsewhere makes it old. */
watch(
  () => open.model?.sections,
  () => forget(),
)

const times = ({ times: plain, mirrored }: { times: number; mirrored: number }): string => {
  if (plain + mirrored === 0) return say('sections.nothingJoinsIt')
  const both = mirrored > 0 ? say('sections.ofThemMirrored', { mirrored }) : ''
  const all = plain + mirrored
  return say('sections.built', { what: screenAdvice().say(often(all)), both })
}

function begin(): void {
  if (open.snapshot) void look(open.snapshot.state)
}
async function accept(suggestion: Suggestion): Promise<void> {
  isMaking.value = true
  const isDone = await open.edit(say('sections.makeASection'), (model) => asBuilt(acceptSuggestion(model, suggestion)))
  isMaking.value = false
  if (isDone) notify(say('sections.itIsASectionNow'))
  if (isDone && open.snapshot) await look(open.snapshot.state)
}
async function acceptAll(): Promise<void> {
  const before = open.snapshot
  if (!before) return
  const cut = await cutAll(before.state)
  if (!cut || open.snapshot?.model !== before.model) return
  if (cut.taken === 0) return notify(say('sections.nothingMoreSavesTellingAnd'))
  const isDone = await open.edit(say('sections.makeSections'), () => cut.model)
  if (isDone) notify(say('sections.made', { sectionsWere: sayCount('count.sectionsWere', cut.taken) }))
}
const rename = (id: string) => (name: string) => void open.edit(say('sections.renameASection'), (model) => renameSection(model, id, name))
const move = (id: string, by: 1 | -1): void => void open.edit(say('common.reorderTheSections'), (model) => moveSection(model, id, by))
const { dragged, moveTo } = useDraggedNodes()
const over = ref('')
function onOver(event: DragEvent, to: string): void {
  if (!dragged.value || dragged.value.section === to) return
  event.preventDefault()
  over.value = to
}
function onDrop(event: DragEvent, to: string): void {
  over.value = ''
  const what = dragged.value
  if (!what || what.section === to) return
  event.preventDefault()
  void moveTo(what, to)
}
const CHANGE_KEYS = {
  name: 'sections.changeTheName',
  designer: 'sections.changeTheDesigner',
  notes: 'sections.changeTheNotes',
} as const satisfies Record<string, ScreenKey>
const write = (key: keyof typeof CHANGE_KEYS) => (text: string) =>
  void open.edit(say(CHANGE_KEYS[key]), (model) => describeModel(model, { [key]: text }), { group: key })
</script>

<template>
  <main tabindex="-1">
    <h1>{{ say('common.sections') }}</h1>
    <div class="sheet">
      <section :aria-label="say('sections.theModel')">
        <LineField :label="say('common.name')" :value="open.model?.name ?? ''" :commit="write('name')" />
        <LineField :label="say('sections.designer')" :value="open.model?.designer ?? ''" :commit="write('designer')" />
        <TextArea :label="say('common.notes')" :value="open.model?.notes ?? ''" :commit="write('notes')" />
        <h2>{{ say('sections.whatItIsBuiltOf') }}</h2>
        <ol :aria-label="say('sections.sectionsOfThisModel')">
          <li
            v-for="line in lines"
            :key="line.id"
            :class="{ over: over === line.id }"
            @dragover="onOver($event, line.id)"
            @dragleave="over = ''"
            @drop="onDrop($event, line.id)"
          >
            <LineField
              :label="line.isRoot ? say('sections.theWhole') : say('common.section')"
              :value="line.name"
              :commit="rename(line.id)"
            />
            <p class="faint">
              {{ say('sections.ofItsOwn', { pieces: sayCount('count.pieces', line.own) })
              }}<template v-if="line.copies > 0">{{ say('sections.inIt', { copies: sayCount('count.copies', line.copies) }) }}</template
              >; <span :class="{ bad: line.times + line.mirrored === 0 }">{{ times(line) }}</span>{{
                say('sections.itWeighs', { weighs: line.weighs })
              }}
            </p>
            <details class="mass">
              <summary>{{ say('sections.whatItMustWeigh') }}</summary>
              <LineField
                :label="say('sections.atLeastG')"
                type="number"
                :value="line.mass.atLeast ?? ''"
                :commit="weigh(line.id, 'atLeast')"
              />
              <LineField
                :label="say('sections.atMostG')"
                type="number"
                :value="line.mass.atMost ?? ''"
                :commit="weigh(line.id, 'atMost')"
              />
              <template v-if="line.moment">
                <p class="faint">{{ say('sections.itTurnsAboutAnAxle', { momentWords: screenAdvice().say(momentSaid(line.moment)) }) }}</p>
                <LineField
                  :label="say('sections.itMayPullAtMost')"
                  type="number"
                  :value="line.mass.moment ?? ''"
                  :commit="weigh(line.id, 'moment')"
                />
              </template>
            </details>
            <div class="order">
              <RouterLink v-if="!line.isRoot" class="plain-button" :to="{ name: 'bench', query: { take: line.id } }">{{
                line.times + line.mirrored === 0 ? say('sections.joinItOnTheBench') : say('sections.joinOneMore')
              }}</RouterLink>
              <button
                class="plain-button"
                :disabled="line.isFirst"
                :aria-label="say('sections.earlier', { name: line.name })"
                @click="move(line.id, -1)"
              >
                {{ say('common.earlier') }}
              </button>
              <button
                class="plain-button"
                :disabled="line.isLast"
                :aria-label="say('sections.later', { name: line.name })"
                @click="move(line.id, 1)"
              >
                {{ say('common.later') }}
              </button>
            </div>
            <SectionPieces v-if="line.own + line.copies > 0" :section="line.id" :name="line.name" />
          </li>
        </ol>
        <template v-if="rounds.some((names) => names.length > 1)">
          <h2 id="rounds">{{ say('sections.whatCanBeBuiltAt') }}</h2>
          <p class="faint">{{ say('sections.byAsManyPeopleAs') }}</p>
          <ol class="rounds" aria-labelledby="rounds">
            <li v-for="(names, i) in rounds" :key="i">{{ names.join(' · ') }}</li>
          </ol>
        </template>
      </section>
      <section :aria-label="say('sections.suggestions')">
        <h2>{{ say('sections.whatCouldBeASection') }}</h2>
        <p class="faint">{{ say('sections.whatStandsHereAgainOr') }}</p>
        <div class="acts">
          <ActionButton primary :disabled="fraction !== null || isMaking" @click="begin">{{
            say('sections.lookForSections')
          }}</ActionButton>
          <ActionButton :disabled="fraction !== null || isMaking" @click="acceptAll">{{
            say('sections.makeAllThatSaveTelling')
          }}</ActionButton>
        </div>
        <WorkBar v-if="fraction !== null" :label="what" :fraction="fraction" @stop="stop()" />
        <p v-if="problem" role="alert">{{ problem }}</p>
        <p v-if="found && found.length === 0" role="status">{{ say('sections.nothingHereStandsTwiceMoves') }}</p>
        <template v-else-if="found">
          <p role="status">{{ say('sections.theOneThatSavesMost', { suggestions: sayCount('count.suggestions', found.length) }) }}</p>
          <ul :aria-label="say('sections.suggestedSections')">
            <SuggestionItem
              v-for="suggestion in found.slice(0, SHOWN)"
              :key="suggestion.id"
              :suggestion="suggestion"
              :section-name="nameOf(suggestion.section)"
              :picture="pictures.get(suggestion.id)"
              @accept="accept(suggestion)"
            />
          </ul>
        </template>
      </section>
    </div>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  overflow-y: auto;
  padding: 20px 28px 60px;
}
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 380px) minmax(0, 1fr);
  gap: 48px;
  max-width: 1280px;
  margin-top: 12px;
}
h2 {
  margin: 20px 0 4px;
}
section:nth-child(2) h2 {
  margin-top: 0;
}
ol,
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
ol li {
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
ol li.over {
  box-shadow: inset 4px 0 var(--accent);
  padding-left: 10px;
}
p {
  margin: 4px 0;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 12px 0;
}
ol.rounds {
  list-style: decimal;
  padding-left: 1.6em;
}
.order {
  display: flex;
}
.bad {
  color: var(--error);
}
@media (max-width: 900px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
    gap: 20px;
  }
  /* What is looked for comes before a long list. */
  .sheet > section:nth-child(2) {
    order: -1;
  }
  main {
    padding: 14px 16px 40px;
  }
}
</style>
