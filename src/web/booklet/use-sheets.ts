import { onUnmounted, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import { plainFault } from '@core/fault'
import type { Alias } from '@core/names'
import type { PreviewMark, PreviewSheet } from '@press/index'
import { faultText } from '../language'
import type { CanvasImage } from '../../workers/canvas-image'
import type { SheetsAsked } from '../../workers/press.worker'
import { useOpenModel } from '../stores/open-model'
import { keepPress, takePress, type ShownSheets } from './kept-press'

type MarkOf<Kind> = Extract<PreviewMark, { kind: Kind }>
/** What of a sheet has to be painted. */
export type PaintedMark = MarkOf<'picture'> | MarkOf<'piece'>

export interface UsedSheets {
  /** The sheets of the snapshot that is shown, or of one before it while they are made anew. */
  readonly preview: Readonly<ShallowRef<ShownSheets | null>>
  readonly isBehind: Readonly<Ref<boolean>>
  /** Why there are no sheets; empty where there are. */
  readonly problem: Readonly<Ref<string>>
  readonly paint: (mark: PaintedMark) => Promise<CanvasImage>
  readonly again: () => void
}

/** Dots of a picture for one pt of the sheet, where it names no size. */
const USUAL_PX = 2

/** So many sheets come at once: more would hold the page up. */
const AT_ONCE = 40

/** A worker that dies more often is not started again by itself. */
const MOST_DEATHS = 2

/**
 * The booklet on its sheets, laid out in a worker: what is seen is what is printed.
 * @param namesAre changes whenever the names do that are shown
 */
export function useSheets(shownNames: () => Promise<Alias[]>, namesAre: () => unknown): UsedSheets {
  const open = useOpenModel()
  const preview = shallowRef<ShownSheets | null>(null)
  const isBehind = ref(false)
  const problem = ref('')
  let isLaying = false
  /** Counts what was asked for: what changes while sheets are laid out is laid out after them. */
  let asked = 0
  let deaths = 0
  // A worker that dies is given its sheets again, so that what is not painted yet can be; one that goes on dying is told of.
  const press = takePress(() => {
    if (!isLaying && ++deaths <= MOST_DEATHS) void lay()
  })

  async function lay(): Promise<void> {
    asked++
    isBehind.value = true
    if (isLaying) return
    isLaying = true
    for (let laid = 0; laid !== asked && open.snapshot;) {
      laid = asked
      const { source } = open.snapshot
      const names = namesAre()
      try {
        const aliases = await shownNames()
        preview.value = await layOut({ bundle: source, aliases })
        press.laid = { model: open.id, source, names, preview: preview.value }
        problem.value = ''
      } catch (thrown) {
        const fault = plainFault(thrown)
        if (fault.code === 'closed') break
        problem.value = faultText(fault)
      }
    }
    isBehind.value = false
    isLaying = false
  }
  async function layOut(input: SheetsAsked): Promise<ShownSheets> {
    const laid = await press.table.ask((remote) => remote.lay(input))
    let sheets: readonly PreviewSheet[] = []
    while (sheets.length < laid.count) {
      const next = await press.table.ask((remote) => remote.sheets(sheets.length, sheets.length + AT_ONCE))
      if (next.length === 0) break
      sheets = [...sheets, ...next]
      // Where none are shown yet the first are shown at once; those from before stay until all others are there.
      if (!preview.value || preview.value.sheets.length < preview.value.count) preview.value = { ...laid, sheets }
    }
    return { ...laid, sheets }
  }
  /** What the worker laid out for the visit before is shown at once, and not laid out again where nothing has changed. */
  function layWhatChanged(): void {
    const laid = press.laid?.model === open.id ? press.laid : undefined
    if (laid) preview.value = laid.preview
    if (!laid || laid.source !== open.snapshot?.source || laid.names !== namesAre()) void lay()
  }
  layWhatChanged()
  watch([() => open.snapshot?.source, namesAre], lay)
  onUnmounted(() => (isLaying ? press.table.close() : keepPress(press)))

  function paint(mark: PaintedMark): Promise<CanvasImage> {
    if (mark.kind === 'piece') return press.table.ask((remote) => remote.piece(mark.piece, mark.size, mark.look))
    const size = mark.size ?? { width: Math.round(mark.width * USUAL_PX), height: Math.round(mark.height * USUAL_PX) }
    return press.table.ask((remote) => remote.picture(mark.picture, mark.content, size))
  }

  return { preview, isBehind, problem, paint, again: () => void lay() }
}
