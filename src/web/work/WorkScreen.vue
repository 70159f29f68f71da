<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { partsByPiece, pieceExtras, pieceKey, type PieceParts } from '@core/count'
import { faceOf, faceWidth, firstFace, fittingSize } from '@core/decal'
import { decalId, withDecal, withoutDecal, withWork, type PartPlace } from '@core/edits'
import { sectionById, shapeOfPart, type Decal, type ModelDocument, type PieceWork } from '@core/model'
import { say, screenWords } from '../language'
import { notify } from '../shared/notices'
import PiecePicture from '../shared/PiecePicture.vue'
import TurnablePiece from '../shared/TurnablePiece.vue'
import { useOpenModel } from '../stores/open-model'
import DecalEditor from './DecalEditor.vue'
import { readPicture } from './picture-file'
import WorkList from './WorkList.vue'

/** What is done to pieces before they are built in: cut, painted, printed, decals put on. */
const open = useOpenModel()
const words = ref('')
const chosen = ref('')
const problem = ref('')
/** Parts left out of the next change, by section and part. */
const isListOpen = ref(false)
/** More boxes to tick help nobody. */
const MOST_LISTED = 400
const leftOut = ref<ReadonlySet<string>>(new Set())

const pieces = computed(() => (open.model ? partsByPiece(open.model) : []))
const titleOf = ({ piece }: PieceParts): string => open.source?.catalogue.shapes.get(piece.shape)?.title ?? piece.shape
const colourOf = ({ piece }: PieceParts): string => open.source?.catalogue.colours.get(piece.colour)?.name ?? piece.colour
/** What has work done to it stands first. */
const shown = computed(() => {
  const wanted = words.value.trim().toLowerCase().split(/\s+/)
  const found = pieces.value.filter((entry) => {
    const text = `${titleOf(entry)} ${colourOf(entry)} ${entry.piece.shape} ${pieceExtras(entry.piece, screenWords())}`.toLowerCase()
    return wanted.every((word) => text.includes(word))
  })
  return [...found.filter(({ piece }) => piece.work), ...found.filter(({ piece }) => !piece.work)]
})
watch(
  shown,
  (now) => {
    if (!pieces.value.some(({ piece }) => pieceKey(piece) === chosen.value)) chosen.value = now[0] ? pieceKey(now[0].piece) : ''
  },
  { immediate: true },
)
watch(chosen, () => {
  leftOut.value = new Set()
  problem.value = ''
})
const entry = computed(() => pieces.value.find(({ piece }) => pieceKey(piece) === chosen.value))
const work = computed(() => entry.value?.piece.work ?? [])
const placeKey = ({ section, part }: PartPlace): string => `${section}/${part}`
const places = computed(() => entry.value?.parts.filter((place) => !leftOut.value.has(placeKey(place))) ?? [])
const shape = computed(() => (entry.value && open.source ? shapeOfPart(entry.value.piece, open.source.catalogue.shapes) : undefined))
const decals = computed(() => open.model?.decals ?? [])

function leave(place: PartPlace, isIn: boolean): void {
  const next = new Set(leftOut.value)
  if (isIn) next.delete(placeKey(place))
  else next.add(placeKey(place))
  leftOut.value = next
}

/** Changes the work of the parts picked, and stays with the piece they have become. */
async function save(
  label: string,
  change: (work: readonly PieceWork[]) => readonly PieceWork[],
  before: (model: ModelDocument) => ModelDocument = (model) => model,
): Promise<void> {
  if (!entry.value || places.value.length === 0) return
  const { piece } = entry.value
  const parts = places.value
  let next: readonly PieceWork[] = []
  const edited = (model: ModelDocument): ModelDocument => {
    const now = sectionById(model, parts[0]!.section).parts?.find(({ id }) => id === parts[0]!.part)
    next = change(now?.work ?? [])
    return withWork(before(model), parts, next)
  }
  problem.value = await open.tryEdit(label, edited)
  if (problem.value !== '' || (entry.value && pieceKey(entry.value.piece) !== pieceKey(piece))) return
  const { work: _before, ...plain } = piece
  chosen.value = pieceKey(next.length > 0 ? { ...plain, work: next } : plain)
}

function add(kind: PieceWork['kind']): void {
  void save(say('work.noteWorkOnAPiece'), (now) => [...now, { kind }])
}
const replace = (index: number, next: PieceWork): void =>
  void save(say('work.changeTheWorkOnA'), (now) => now.map((old, i) => (i === index ? next : old)))
const takeOff = (index: number): void => void save(say('work.takeWorkOffAPiece'), (now) => now.filter((_, i) => i !== index))

/** Reads a picture file and puts it on the piece, as wide as its face allows. */
async function attach(index: number, file: File): Promise<void> {
  const model = open.model
  const item = work.value[index]
  if (!model || !item || !shape.value) return
  const face = item.face ? faceOf(shape.value, item.face) : firstFace(shape.value)
  if (!face) {
    problem.value = say('work.thisPieceHasNoFlat')
    return
  }
  try {
    const picture = await readPicture(file, faceWidth(face))
    const name = file.name.replace(/\.[^.]+$/, '') || say('work.decal')
    const decal: Decal = { id: decalId(model, name), name, picture: picture.address, size: fittingSize(face, picture.aspect) }
    await save(
      say('work.attachAPicture'),
      (old) => old.map((each, i) => (i === index ? { ...each, decal: decal.id, face: face.name } : each)),
      (now) => withDecal(now, decal),
    )
  } catch (thrown) {
    problem.value = thrown instanceof Error ? thrown.message : String(thrown)
  }
}

async function changeDecal(decal: Decal): Promise<void> {
  problem.value = await open.tryEdit(say('work.changeADecal'), (model) => withDecal(model, decal))
}
async function removeDecal(decal: Decal): Promise<void> {
  problem.value = await open.tryEdit(say('work.takeOutADecal'), (model) => withoutDecal(model, decal.id))
  if (problem.value === '')
    notify(say('work.isOffAllPieces', { name: decal.name }), { act: { label: say('common.undo'), run: () => void open.undo() } })
}
</script>

<template>
  <main>
    <div class="list">
      <h1>{{ say('common.workOnPieces') }}</h1>
      <label class="find"
        >{{ say('work.findAPiece') }} <input v-model="words" type="search" :placeholder="say('work.whiteTile')" @keydown.stop
      /></label>
      <p v-if="shown.length === 0" class="faint">{{ say('work.noPieceOfThisModel') }}</p>
      <ul :aria-label="say('common.pieces')">
        <li v-for="each in shown" :key="pieceKey(each.piece)">
          <button
            type="button"
            class="plain-button piece"
            :aria-current="pieceKey(each.piece) === chosen ? 'true' : undefined"
            @click="chosen = pieceKey(each.piece)"
          >
            <b class="count">{{ each.parts.length }}</b>
            <PiecePicture :shape="each.piece.shape" :colour="each.piece.colour" :piece="each.piece" />
            <span class="words"
              >{{ titleOf(each) }}<small>{{ colourOf(each) }}</small
              ><small v-if="each.piece.work || each.piece.length" class="extras">{{ pieceExtras(each.piece, screenWords()) }}</small></span
            >
          </button>
        </li>
      </ul>
    </div>
    <section v-if="entry" class="sheet" :aria-label="say('work.in', { title: titleOf(entry), colour: colourOf(entry) })">
      <h2>
        {{ titleOf(entry) }} <span class="faint">{{ colourOf(entry) }}</span>
      </h2>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <div class="both">
        <div class="look">
          <TurnablePiece :key="chosen" :shape="entry.piece.shape" :colour="entry.piece.colour" :piece="entry.piece" />
        </div>
        <WorkList
          :work="work"
          :shape="shape"
          :decals="decals"
          :is-locked="places.length === 0"
          @add="add"
          @replace="replace"
          @take-off="takeOff"
          @attach="attach"
        />
      </div>
      <details v-if="entry.parts.length > 1" class="which" @toggle="isListOpen = ($event.target as HTMLDetailsElement).open">
        <summary>
          {{
            say('work.takeTheNextChange', {
              what:
                places.length === entry.parts.length
                  ? say('work.allSuchParts', { places: places.length })
                  : say('work.ofSuchParts', { places: places.length, parts: entry.parts.length }),
            })
          }}
        </summary>
        <p v-if="entry.parts.length > MOST_LISTED" class="faint">{{ say('work.theFirstAreListedThe', { mostListed: MOST_LISTED }) }}</p>
        <ul v-if="isListOpen" :aria-label="say('work.partsThatTakeTheNext')">
          <li v-for="place in entry.parts.slice(0, MOST_LISTED)" :key="placeKey(place)">
            <label
              ><input
                type="checkbox"
                :checked="!leftOut.has(placeKey(place))"
                @change="leave(place, ($event.target as HTMLInputElement).checked)"
              />
              {{ place.part }} <span class="faint">{{ say('work.in2', { section: place.section }) }}</span></label
            >
          </li>
        </ul>
      </details>
      <DecalEditor v-if="decals.length > 0" :decals="decals" @change="changeDecal" @remove="removeDecal" />
    </section>
    <p v-else class="faint">{{ say('work.thisModelHasNoPieces') }}</p>
  </main>
</template>

<style scoped>
main {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(260px, 360px) 1fr;
}
.list,
.sheet {
  overflow: auto;
  padding: 18px 28px 60px;
}
.list {
  border-right: 1px solid var(--rule);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.find {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
  margin: 10px 0;
}
.find input {
  font: inherit;
  flex: 1;
  min-width: 140px;
  min-height: 44px;
  border: 1px solid #6d7176;
  border-radius: 3px;
  padding: 0 8px;
  background: var(--sheet);
  color: inherit;
}
.piece {
  width: 100%;
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: flex-start;
  text-align: left;
  padding: 4px 6px;
  border-left: 3px solid transparent;
}
.piece[aria-current] {
  border-left-color: var(--accent);
  background: var(--sheet);
}
.count {
  min-width: 2em;
  text-align: right;
}
.words {
  display: flex;
  flex-direction: column;
  line-height: 1.3;
}
.words small {
  color: var(--faint);
  font-size: 0.9rem;
}
.words .extras {
  color: inherit;
  font-weight: 700;
}
.both {
  display: grid;
  grid-template-columns: 310px minmax(280px, 1fr);
  gap: 28px;
  margin: 12px 0 18px;
}
.look {
  align-self: start;
}
.which summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
.which ul {
  columns: 240px;
}
.which label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.which input {
  width: 20px;
  height: 20px;
  accent-color: var(--accent);
}
@media (max-width: 1000px) {
  main,
  .both {
    grid-template-columns: 1fr;
  }
  main {
    overflow: auto;
    display: block;
  }
}
</style>
