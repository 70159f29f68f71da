import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { brokenBy, type Report, type ShownInset } from '@core/checks'
import { faultLine, plainFault } from '@core/fault'
import { makeBundle, writeModelText, type Bundle } from '@core/formats'
import { catalogueOf, type ModelDocument } from '@core/model'
import type { Proof } from '@core/plan'
import { download, fileName } from '../shared/download'
import { PainterClient } from '../shared/painter-client'
import type { PaintSource } from '../shared/painter-key'
import { PlannerClient } from '../shared/planner-client'
import { library, USUAL_SETTINGS } from '../storage/library'
import type { Comparison, PlanAnswer, PlanSettings } from '../../workers/planner.worker'
import { factsOf } from '../storage/facts'
import { createHistory } from './history'

/** Why an edit was not made; where it only would not build, it can be made all the same. */
export interface Refusal {
  readonly reason: string
  readonly anyway?: () => void
}

type Change = (document: ModelDocument) => ModelDocument

type SaveState = { kind: 'saved' } | { kind: 'saving' } | { kind: 'failed'; message: string }

/** The model at hand: its document with history, its plan, and whether it is safe on disk. */
export const useOpenModel = defineStore('open-model', () => {
  const id = ref('')
  const history = createHistory<ModelDocument>()
  const model = history.current
  const report = shallowRef<Report | null>(null)
  const views = shallowRef<readonly (readonly number[])[]>([])
  const insets = shallowRef<readonly ShownInset[]>([])
  const planning = ref<number | null>(null)
  /** A plan is there and a better one is looked for. */
  const searching = ref(false)
  const problem = ref('')
  const save = ref<SaveState>({ kind: 'saved' })
  const source = shallowRef<PaintSource | null>(null)
  const settings = ref<PlanSettings>(USUAL_SETTINGS)

  /** Edits that are not made yet, since one after another is tried. */
  const waiting = ref(0)

  let planner: PlannerClient | undefined
  let painter: PainterClient | undefined
  let revision = 0
  let saving = Promise.resolve()
  let editing: Promise<unknown> = Promise.resolve()
  let run = 0

  const bundle = computed<Bundle | null>(() => {
    if (!model.value || !report.value) return null
    return makeBundle(model.value, report.value, views.value, insets.value)
  })

  /** @throws Fault `no-model` */
  async function open(modelId: string): Promise<void> {
    close()
    const stored = await library.get(modelId)
    id.value = modelId
    revision = stored.revision
    history.reset(stored.model)
    settings.value = { ...USUAL_SETTINGS, ...stored.settings }
    save.value = { kind: 'saved' }
    planner = new PlannerClient()
    painter = new PainterClient(new Worker(new URL('../../workers/painter.worker.ts', import.meta.url), { type: 'module' }))
    await plan(true)
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

  /**
   * Plans the document as it is now; a later call overtakes.
   * @param isFresh nothing is planned yet, or all is to be planned another way
   */
  async function plan(isFresh = false): Promise<void> {
    const mine = ++run
    const document = model.value
    if (!planner || !painter || !document) return
    problem.value = ''
    const usesSearch = settings.value.effort !== 'quick'
    try {
      // The first plan is shown as soon as it is there; a better order is looked for while it can be read already.
      if (isFresh && usesSearch) await planOnce(document, { ...settings.value, effort: 'quick' }, mine)
      if (mine !== run) return
      searching.value = isFresh && usesSearch
      await planOnce(document, { ...settings.value }, mine)
      if (mine === run) void library.describe(id.value, factsOf(document, report.value!)).catch(() => undefined)
    } catch (thrown) {
      if (mine === run) problem.value = faultLine(plainFault(thrown))
    } finally {
      if (mine === run) {
        planning.value = null
        searching.value = false
      }
    }
  }

  async function planOnce(document: ModelDocument, how: PlanSettings, mine: number): Promise<void> {
    planning.value = 0
    const answer = await planner!.plan(document, how, (fraction) => {
      if (mine === run) planning.value = fraction
    })
    if (mine === run) await show(document, answer, mine)
  }

  async function show(document: ModelDocument, answer: PlanAnswer, mine: number): Promise<void> {
    report.value = answer.report
    views.value = answer.views
    insets.value = answer.insets
    await painter!.open(bundle.value!)
    if (mine !== run) return
    source.value = { painter: painter!, catalogue: catalogueOf(document), version: (source.value?.version ?? 0) + 1 }
  }

  /** Lays the steps another way, from now on; given steps stay as they are. */
  async function useSettings(next: PlanSettings): Promise<void> {
    settings.value = next
    await Promise.all([library.keepSettings(id.value, next), plan(true)])
  }

  const prove = (section: string, step: number): Promise<Proof[]> => planner?.prove(section, step) ?? Promise.resolve([])
  const compare = (): Promise<Comparison[]> =>
    planner && model.value ? planner.compare(model.value, { ...settings.value }) : Promise.resolve([])

  function stopPlanning(): void {
    run++
    planner?.stop()
    planning.value = null
    const kept = searching.value
      ? 'The search was stopped; the first plan is kept.'
      : 'Planning was stopped; the steps shown are those of before.'
    problem.value = report.value ? kept : 'Planning was stopped.'
    searching.value = false
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

  /**
   * Makes an edit of the rail only if hands could still follow it; what would break comes back as findings, and nothing has
   * changed. Findings that only warn go through. A fault of the edit itself comes back as its sentence.
   */
  function tryEdit(label: string, change: Change): Promise<Refusal | undefined> {
    // One after another, so that none is lost when keys come faster than plans.
    return inTurn(() => tryNow(label, change))
  }

  /** An edit that no plan can refuse, such as a note: made at once, or as soon as those before it are. */
  const editInTurn = (label: string, change: Change): Promise<Refusal | undefined> =>
    inTurn(() => {
      const reason = edit(label, change)
      return Promise.resolve(reason === undefined ? undefined : { reason })
    })

  function inTurn<Made>(make: () => Promise<Made>): Promise<Made> {
    waiting.value++
    const made = editing.then(make).finally(() => waiting.value--)
    editing = made.catch(() => undefined)
    return made
  }

  async function tryNow(label: string, change: Change): Promise<Refusal | undefined> {
    const before = model.value
    if (!before || !planner || !report.value) return undefined
    let next: ModelDocument
    try {
      next = change(before)
    } catch (thrown) {
      return { reason: faultLine(plainFault(thrown)) }
    }
    if (next === before) return undefined
    // This overtakes a search that may be under way.
    const mine = ++run
    searching.value = false
    planning.value = 0
    try {
      const answer = await planner.plan(next, { ...settings.value }, (fraction) => {
        if (mine === run) planning.value = fraction
      })
      if (mine !== run || model.value !== before) return undefined
      const broken = brokenBy(report.value.findings, answer.report.findings)
      if (broken.length > 0) return { reason: broken[0]!.message, anyway: () => void edit(label, () => next) }
      history.push(next, label)
      persist()
      await show(next, answer, mine)
      void library.describe(id.value, factsOf(next, answer.report)).catch(() => undefined)
    } catch (thrown) {
      return { reason: faultLine(plainFault(thrown)) }
    } finally {
      if (mine === run) planning.value = null
    }
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
    searching,
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
    tryEdit,
    editInTurn,
    waiting,
    undo,
    redo,
    downloadFile,
  }
})
