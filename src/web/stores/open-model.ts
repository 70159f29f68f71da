import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Report } from '@core/checks'
import { faultLine, plainFault } from '@core/fault'
import { makeBundle, writeModelText, type Bundle } from '@core/formats'
import { catalogueOf, type ModelDocument } from '@core/model'
import type { Proof } from '@core/plan'
import { download, fileName } from '../shared/download'
import { PainterClient } from '../shared/painter-client'
import type { PaintSource } from '../shared/painter-key'
import { PlannerClient } from '../shared/planner-client'
import { library, USUAL_SETTINGS } from '../storage/library'
import type { Comparison, PlanSettings } from '../../workers/planner.worker'
import { factsOf } from '../storage/facts'
import { createHistory } from './history'

type SaveState = { kind: 'saved' } | { kind: 'saving' } | { kind: 'failed'; message: string }

/** The model at hand: its document with history, its plan, and whether it is safe on disk. */
export const useOpenModel = defineStore('open-model', () => {
  const id = ref('')
  const history = createHistory<ModelDocument>()
  const model = history.current
  const report = shallowRef<Report | null>(null)
  const views = shallowRef<readonly (readonly number[])[]>([])
  const planning = ref<number | null>(null)
  const problem = ref('')
  const save = ref<SaveState>({ kind: 'saved' })
  const source = shallowRef<PaintSource | null>(null)
  const settings = ref<PlanSettings>(USUAL_SETTINGS)

  let planner: PlannerClient | undefined
  let painter: PainterClient | undefined
  let revision = 0
  let saving = Promise.resolve()
  let run = 0

  const bundle = computed<Bundle | null>(() => {
    if (!model.value || !report.value) return null
    return makeBundle(model.value, report.value, views.value)
  })

  /** @throws Fault `no-model` */
  async function open(modelId: string): Promise<void> {
    close()
    const stored = await library.get(modelId)
    id.value = modelId
    revision = stored.revision
    history.reset(stored.model)
    settings.value = stored.settings ?? USUAL_SETTINGS
    save.value = { kind: 'saved' }
    planner = new PlannerClient()
    painter = new PainterClient(new Worker(new URL('../../workers/painter.worker.ts', import.meta.url), { type: 'module' }))
    await plan()
  }

  function close(): void {
    run++
    planner?.close()
    painter?.close()
    planner = painter = undefined
    id.value = ''
    report.value = null
    source.value = null
    planning.value = null
    problem.value = ''
  }

  /** Plans the document as it is now; a later call overtakes. */
  async function plan(): Promise<void> {
    const mine = ++run
    const document = model.value
    if (!planner || !painter || !document) return
    planning.value = 0
    problem.value = ''
    try {
      const answer = await planner.plan(document, { ...settings.value }, (fraction) => {
        if (mine === run) planning.value = fraction
      })
      if (mine !== run) return
      report.value = answer.report
      views.value = answer.views
      await painter.open(bundle.value!)
      if (mine !== run) return
      source.value = { painter, catalogue: catalogueOf(document), version: (source.value?.version ?? 0) + 1 }
      void library.describe(id.value, factsOf(document, answer.report)).catch(() => undefined)
    } catch (thrown) {
      if (mine === run) problem.value = faultLine(plainFault(thrown))
    } finally {
      if (mine === run) planning.value = null
    }
  }

  /** Lays the steps another way, from now on; given steps stay as they are. */
  async function useSettings(next: PlanSettings): Promise<void> {
    settings.value = next
    await Promise.all([library.keepSettings(id.value, next), plan()])
  }

  const prove = (section: string, step: number): Promise<Proof[]> => planner?.prove(section, step) ?? Promise.resolve([])
  const compare = (): Promise<Comparison[]> =>
    planner && model.value ? planner.compare(model.value, settings.value.density) : Promise.resolve([])

  function stopPlanning(): void {
    run++
    planner?.stop()
    planning.value = null
    problem.value = report.value ? 'Planning was stopped; the steps shown are those of before.' : 'Planning was stopped.'
  }

  /** Saves one after another; each edit is on its way as soon as it is made. */
  function persist(): void {
    const document = model.value
    const target = id.value
    if (!document) return
    save.value = { kind: 'saving' }
    saving = saving.then(async () => {
      try {
        revision = await library.save(target, revision, document)
        if (model.value === document) save.value = { kind: 'saved' }
      } catch (thrown) {
        save.value = { kind: 'failed', message: faultLine(plainFault(thrown)) }
      }
    })
  }

  function settled(): void {
    persist()
    void plan()
  }

  /** Makes an edit; a fault of the edit comes back as its sentence and nothing changes. */
  function edit(label: string, change: (document: ModelDocument) => ModelDocument): string | undefined {
    if (!model.value) return undefined
    try {
      const next = change(model.value)
      if (next === model.value) return undefined
      history.push(next, label)
    } catch (thrown) {
      return faultLine(plainFault(thrown))
    }
    settled()
    return undefined
  }

  function undo(): void {
    if (history.undo()) settled()
  }

  function redo(): void {
    if (history.redo()) settled()
  }

  function downloadFile(): void {
    if (model.value) download(fileName(model.value.name, '.rail.json'), writeModelText(model.value), 'application/json')
  }

  return {
    id,
    model,
    report,
    views,
    planning,
    problem,
    save,
    source,
    settings,
    useSettings,
    prove,
    compare,
    bundle,
    undoLabel: history.undoLabel,
    redoLabel: history.redoLabel,
    open,
    close,
    plan,
    stopPlanning,
    persist,
    edit,
    undo,
    redo,
    downloadFile,
  }
})
