import type { ComputedRef } from 'vue'
import type { StepPage } from '@core/booklet'
import { pieceKey, type PieceCount } from '@core/count'
import {
  addStepNote,
  mergeWithNext,
  moveStep,
  moveToNeighbour,
  moveToStep,
  planAround,
  removeStepNote,
  setLocked,
  setStepText,
  setStepTurn,
  setStepView,
  splitStep,
  type StepPlace,
  type StepText,
} from '@core/edits'
import { sectionById, type ModelDocument, type Part, type StepNote } from '@core/model'
import type { SectionPlan } from '@core/plan'
import { type ScreenKey, say } from '../language'
import { useOpenModel } from '../stores/open-model'

/** Where somebody stands on the rail. */
interface RailStand {
  readonly section: ComputedRef<SectionPlan>
  /** From 0. */
  readonly step: ComputedRef<number>
  readonly page: ComputedRef<StepPage | undefined>
  readonly goTo: (place: StepPlace) => void
}

const TEXT_KEYS = { note: 'rail.noteOf', caution: 'rail.cautionOf' } as const satisfies Record<StepText, ScreenKey>

type StepEdit = (model: ModelDocument, plans: readonly SectionPlan[], place: StepPlace) => ModelDocument

const isOf = (part: Part | undefined, piece: PieceCount): boolean => part !== undefined && pieceKey(part) === pieceKey(piece)

/** What can be changed about the step at hand; each is a command. */
export function useRailEdits({ section, step, page, goTo }: RailStand) {
  const open = useOpenModel()

  function edit(label: string, change: StepEdit): Promise<boolean> {
    const place: StepPlace = { section: section.value.id, step: step.value }
    return open.edit(`${label} ${page.value?.label ?? ''}`, (model, plans) => change(model, plans, place), { mustBuild: true })
  }

  /** The parts of a piece that the step brings, in their order. */
  function likeIn(piece: PieceCount): string[] {
    const own = new Map((sectionById(open.model!, section.value.id).parts ?? []).map((part) => [part.id, part]))
    const ids = section.value.steps[step.value]!.moves.flatMap((m) => ('parts' in m ? m.parts : []))
    return ids.filter((id) => isOf(own.get(id), piece))
  }
  /** Moves the last part of a piece on or the first back, so that what is left keeps its order. */
  function move(piece: PieceCount, way: -1 | 1): void {
    const like = likeIn(piece)
    const id = way === 1 ? like[like.length - 1] : like[0]
    if (id !== undefined) moveOne(id, way)
  }
  const moveOne = (id: string, way: -1 | 1): void =>
    void edit(say('rail.moveAPartOf'), (model, plans, place) => moveToNeighbour(model, plans, place, { id, way }))
  /** Moves all pieces of a row to another step of the section. */
  function movePieces(piece: PieceCount, to: number): void {
    const ids = likeIn(piece)
    if (to === step.value || ids.length === 0) return
    void edit(say('rail.movePiecesOf'), (model, plans, place) => moveToStep(model, plans, place, { ids, to }))
  }
  function setText(of: StepPage, key: StepText, text: string): void {
    const change = (model: ModelDocument, plans: readonly SectionPlan[]): ModelDocument =>
      setStepText(model, plans, { section: of.section, step: of.number - 1 }, { key, text })
    void open.edit(say(TEXT_KEYS[key], { label: of.label }), change, { group: `${key} ${of.section} ${of.number}` })
  }
  const lock = (): void => {
    const isLocked = page.value?.locked === true
    void edit(say(isLocked ? 'rail.unlockStep' : 'rail.lockStep'), (model, plans, place) => setLocked(model, plans, place, !isLocked))
  }
  function planAgain(): void {
    const { id } = section.value
    const change = (model: ModelDocument): ModelDocument => planAround(model, id)
    void open.edit(say('rail.planSectionAgain', { letter: page.value?.letter ?? '' }), change, { mustBuild: true, fresh: [id] })
  }
  /** Moves the chosen step before another place; the choice goes with it. */
  async function moveTo(to: number): Promise<void> {
    const { id } = section.value
    if (await edit(say('rail.move'), (model, plans, place) => moveStep(model, plans, place, to))) goTo({ section: id, step: to })
  }
  return {
    move,
    moveOne,
    movePieces,
    setText,
    lock,
    planAgain,
    moveTo,
    split: (): void => void edit(say('rail.splitStep'), (model, plans, place) => splitStep(model, plans, place)),
    /** The step ends with one of its parts or copies; the rest is the next step. */
    splitAfter: (id: string): void => void edit(say('rail.splitStep'), (model, plans, place) => splitStep(model, plans, place, id)),
    merge: (): void => void edit(say('rail.merge'), mergeWithNext),
    addNote: (note: StepNote): void => void edit(say('rail.writeANoteTo'), (model, plans, place) => addStepNote(model, plans, place, note)),
    removeNote: (at: number): void => void edit(say('rail.takeANoteOff'), (model, plans, place) => removeStepNote(model, plans, place, at)),
    setView: (view: number | undefined): void =>
      void edit(say('rail.chooseTheSideOf'), (model, plans, place) => setStepView(model, plans, place, view)),
    setTurn: (turn: string): void => void edit(say('rail.layTheWorkFor'), (model, plans, place) => setStepTurn(model, plans, place, turn)),
  }
}
