import type { Progress } from '@core/pipeline'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { railJson } from '@core/formats'
import type { Proof } from '@core/plan'
import { unplanned, USUAL_SETTINGS, type Comparison, type PictureReading } from '../../workers/plan-messages'
import { createPainting, type Painting } from '../session/painting'
import { openSession, type Session } from '../session/session'
import { bundleOf, makeSnapshot, type Snapshot } from '../session/snapshot'
import { nothingUnsaved } from '../session/unsaved'
import { downloadModel } from '../shared/download-model'
import { notify } from '../shared/notices'
import { openChangesChannel } from '../storage/changes-channel'
import { useLibrary } from '../storage/open-library'
import { makePainter } from '../workers/make-painter'
import { compareStrategies, readPictures, type Job } from '../workers/planner-jobs'
import { PlannerClient } from '../workers/planner-client'
import { useActs } from './model-acts'

const NONE = nothingUnsaved()

/** The model at hand, as screens see it: one snapshot, and what a person can do. All work is the session's. */
export const useOpenModel = defineStore('open-model', () => {
  const session = shallowRef<Session | null>(null)
  const painting = shallowRef<Painting | null>(null)
  const isLasting = ref(true)
  /** A better order is looked at, but not taken. */
  const isLooking = ref(false)
  let opening = 0

  const offer = computed(() => session.value?.offers.offer.value ?? null)
  const snapshot = computed(() => (isLooking.value && offer.value ? offer.value.snapshot : (session.value?.snapshot.value ?? null)))
  /** What can be counted and seen of a model whose steps are laid for the first time. */
  const draft = shallowRef<Snapshot | null>(null)
  const shown = computed(() => snapshot.value ?? draft.value)
  const model = computed(() => snapshot.value?.model ?? session.value?.state.value?.model ?? null)
  const settings = computed(() => snapshot.value?.settings ?? session.value?.state.value?.settings ?? USUAL_SETTINGS)

  /** @throws Fault `no-model` */
  async function open(id: string): Promise<void> {
    close()
    const mine = ++opening
    const library = await useLibrary()
    const tell = (text: string): void => notify(text)
    const next = await openSession(id, { library, makePlanner: () => new PlannerClient(), openChannel: openChangesChannel, tell })
    if (mine !== opening) return next.close()
    const first = next.snapshot.value ? null : makeSnapshot(0, next.state.value!, unplanned(next.state.value!))
    isLasting.value = library.isLasting
    session.value = next
    draft.value = first
    painting.value = createPainting(shown, makePainter)
  }

  function close(): void {
    opening++
    isLooking.value = false
    session.value?.close()
    painting.value?.close()
    session.value = painting.value = draft.value = null
  }

  const acts = useActs({ session, isLooking, settings })
  return {
    session,
    snapshot,
    draft,
    model,
    /** The version that is shown, of the same snapshot. */
    shown: computed(() => snapshot.value?.shown ?? null),
    settings,
    isLasting,
    isLooking,
    offer,
    id: computed(() => session.value?.id ?? ''),
    report: computed(() => snapshot.value?.report ?? null),
    source: computed(() => painting.value?.source.value ?? null),
    paintProblem: computed(() => painting.value?.problem.value ?? ''),
    bundle: computed(() => (snapshot.value ? bundleOf(snapshot.value) : null)),
    undoLabel: computed(() => session.value?.history.undoLabel.value ?? ''),
    redoLabel: computed(() => session.value?.history.redoLabel.value ?? ''),
    unsaved: computed(() => session.value?.unsaved ?? NONE),
    open,
    close,
    ...acts,
    prove: (section: string, step: number): Promise<Proof[]> => session.value?.prove(section, step) ?? Promise.resolve([]),
    compare: (progress: Progress): Job<Comparison[]> => compareStrategies(snapshot.value!.state, progress),
    read: (progress: Progress): Job<PictureReading> => readPictures(snapshot.value!.state, progress),
    downloadFile: (): void => (model.value ? downloadModel(model.value.name, model.value, railJson) : undefined),
  }
})
