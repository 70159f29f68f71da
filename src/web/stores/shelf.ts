import birdTableUrl from '../../../demo/models/bird-table.rail.json?url'
import ferrymanUrl from '../../../demo/models/ferryman.rail.json?url'
import windPumpUrl from '../../../demo/models/wind-pump.rail.json?url'
import ferryHouseUrl from '../../../demo/models/ferry-house.rail.json?url'
import granaryUrl from '../../../demo/models/granary.rail.json?url'
import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Report } from '@core/checks'
import { Fault, faultLine, plainFault } from '@core/fault'
import { LIMITS, type ModelDocument } from '@core/model'
import { PainterClient } from '../shared/painter-client'
import { PlannerClient } from '../shared/planner-client'
import { factsOf } from '../storage/facts'
import { library, USUAL_SETTINGS, type StoredModel } from '../storage/library'

/** The first shown stands first on the shelf. */
const DEMOS = [birdTableUrl, ferryHouseUrl, granaryUrl, ferrymanUrl, windPumpUrl]
const PICTURE = { width: 480, height: 360 }

/** The shelf: what stands on it, and the quiet work of planning and picturing what has just come in. */
export const useShelf = defineStore('shelf', () => {
  const models = shallowRef<readonly StoredModel[]>([])
  const isLoaded = ref(false)
  const problem = ref('')
  /** Name of the model being looked at, and how far. */
  const working = ref<{ name: string; fraction: number } | null>(null)

  let planner: PlannerClient | undefined
  let painter: PainterClient | undefined
  let isStopped = false

  async function refresh(): Promise<void> {
    models.value = await library.list()
  }

  async function load(): Promise<void> {
    try {
      await library.forgetOldDeletions()
      if (await library.isNew()) await addDemos()
      await refresh()
      isLoaded.value = true
      void describeNext()
    } catch (thrown) {
      problem.value = faultLine(plainFault(thrown))
      isLoaded.value = true
    }
  }

  /** All or none: a shelf with half the demos would never get the rest. */
  async function addDemos(): Promise<void> {
    const texts = await Promise.all(
      DEMOS.map(async (url) => {
        const response = await fetch(url)
        if (!response.ok) throw new Fault('no-demo', 'The demo models could not be fetched.', { wayOut: 'Reload the page.' })
        return (await response.json()) as ModelDocument
      }),
    )
    for (const model of texts.reverse()) await library.add(model)
  }

  /** Looks at one model after another that has no picture yet. */
  async function describeNext(): Promise<void> {
    if (working.value) return
    const next = models.value.find((stored) => !stored.facts || !stored.picture)
    if (!next) return
    isStopped = false
    working.value = { name: next.name, fraction: 0 }
    planner ??= new PlannerClient()
    painter ??= new PainterClient(new Worker(new URL('../../workers/painter.worker.ts', import.meta.url), { type: 'module' }))
    try {
      const answer = await planner.plan(next.model, { ...USUAL_SETTINGS, ...next.settings }, (fraction) => {
        if (working.value) working.value = { name: next.name, fraction }
      })
      const picture = await paint(next.model, answer.report)
      await library.describe(next.id, factsOf(next.model, answer.report), picture)
      await refresh()
    } catch (thrown) {
      if (!isStopped) problem.value = `${next.name}: ${faultLine(plainFault(thrown))}`
      isStopped = true
    } finally {
      working.value = null
    }
    if (!isStopped) void describeNext()
  }

  async function paint(model: ModelDocument, report: Report): Promise<Blob> {
    const views = report.sections.map((section) => section.steps.map(() => 0))
    await painter!.open({ model, plan: report, views })
    const root = report.sections.find((section) => section.id === model.root)!
    const ref = { section: root.id, step: Math.max(0, root.steps.length - 1), view: 0 }
    const image = await painter!.picture(ref, true, PICTURE.width, PICTURE.height)
    const canvas = document.createElement('canvas')
    canvas.width = image.width
    canvas.height = image.height
    canvas.getContext('2d')!.putImageData(new ImageData(image.data, image.width, image.height), 0, 0)
    return new Promise((resolve, reject) => {
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png')
    })
  }

  function stop(): void {
    isStopped = true
    planner?.stop()
  }

  /** Reads a file and puts it on the shelf. @throws Fault; then nothing has changed */
  async function importFile(file: File): Promise<StoredModel> {
    if (file.size > LIMITS.fileBytes) throw new Fault('too-large', 'The file is larger than 64 MiB.')
    const isTable = file.name.toLowerCase().endsWith('.csv')
    if (!isTable && !file.name.toLowerCase().endsWith('.json')) {
      throw new Fault('unknown-format', 'This kind of file is not known.', {
        place: file.name,
        wayOut: 'Bring a .rail.json or a .csv file.',
      })
    }
    planner ??= new PlannerClient()
    const model = await planner.read(await file.text(), file.name.replace(/(\.rail)?\.[a-z]+$/i, ''), isTable)
    const stored = await library.add(model)
    await refresh()
    void describeNext()
    return stored
  }

  async function duplicate(stored: StoredModel): Promise<void> {
    const name = `${stored.name.slice(0, LIMITS.nameLength - 7)}, copy`
    const more = { ...(stored.facts ? { facts: stored.facts } : {}), ...(stored.picture ? { picture: stored.picture } : {}) }
    await library.add({ ...stored.model, name }, more)
    await refresh()
  }

  async function remove(id: string): Promise<void> {
    await library.remove(id)
    await refresh()
  }

  async function restore(id: string): Promise<void> {
    await library.restore(id)
    await refresh()
  }

  function close(): void {
    isStopped = true
    planner?.close()
    painter?.close()
    planner = painter = undefined
    working.value = null
  }

  return { models, isLoaded, problem, working, load, refresh, stop, importFile, duplicate, remove, restore, close }
})
