import type { Progress } from '@core/pipeline'
import { worthOfPlan } from '@core/pipeline'
import { coverPicture } from '@core/booklet'
import { Fault, plainFault } from '@core/fault'
import { faultText, say } from '../language'
import { fromBytes, reportFrom, sourceOf, stateAfter, toBytes, type ModelState, type Printed } from '../../workers/plan-messages'
import { SHELF_PICTURE } from '../../workers/shelf-picture'
import { factsOf } from '../storage/facts'
import type { Library, StoredModel } from '../storage/library'
import { makePainter } from '../workers/make-painter'
import type { PainterClient } from '../workers/painter-client'
import { PlannerClient } from '../workers/planner-client'

/** A model that takes longer is left as it is until it is opened: the shelf must not wear a machine out at each visit. */
const PATIENCE_MS = 60_000

/** Plans and paints a model for the shelf, in workers of its own. What it finds out is kept, also that it could not. */
export class ShelfDescriber {
  private planner: PlannerClient | undefined
  private painter: PainterClient | undefined
  private isStopped = false
  private slow: Fault | undefined

  constructor(private readonly library: Library) {}

  /** @returns whether the model was described, or what stood in the way was noted */
  async describe(stored: StoredModel, progress: Progress): Promise<boolean> {
    this.isStopped = false
    const limit = setTimeout(() => this.stop(new Fault('too-slow', 'It takes longer than a minute to plan.')), PATIENCE_MS)
    try {
      const opened = await this.library.open(stored.id)
      const printed = opened.report ? fromBytes<Printed>(opened.report) : await this.plan(stored, opened.state, progress)
      const state = stateAfter(opened.state, printed)
      const picture = await this.paint(state, printed)
      const { revision } = opened.stored
      await this.library.describe(stored.id, { facts: factsOf(state.model, reportFrom(printed)), picture, describedAt: revision })
      return true
    } catch (thrown) {
      if (this.isStopped) return false
      await this.library.describe(stored.id, { unpainted: faultText(plainFault(this.slow ?? thrown)), describedAt: stored.revision })
      return true
    } finally {
      clearTimeout(limit)
      this.slow = undefined
    }
  }

  /** The first order that is seen is the best that a usual search finds: nobody has learned another yet. */
  private async plan(stored: StoredModel, state: ModelState, progress: Progress): Promise<Printed> {
    this.planner ??= new PlannerClient()
    const first = fromBytes<Printed>(await this.planner.open(1, toBytes(state), (part) => progress(part / 2)))
    const isNew = stored.cursor === 0 && Object.keys(state.order).length === 0 && state.settings.effort !== 'quick'
    const found = isNew && (await this.planner.better(toBytes(state), worthOfPlan(reportFrom(first)), (part) => progress(0.5 + part / 2)))
    const best = found ? fromBytes<Printed>(found.printed) : first
    if (isNew) await this.library.keepFirst(stored.id, stored.revision, toBytes(stateAfter(state, best)), toBytes(best))
    return best
  }

  private async paint(state: ModelState, printed: Printed): Promise<Blob> {
    this.painter ??= makePainter()
    await this.painter.openBytes(1, () => ({ model: toBytes(state.model), printed: toBytes(printed) }))
    const cover = coverPicture(sourceOf(state.model, printed))
    if (!cover) throw new Error(say('common.noPicture'))
    const image = await this.painter.picture(cover, 'finished', SHELF_PICTURE)
    const canvas = document.createElement('canvas')
    canvas.width = image.width
    canvas.height = image.height
    canvas.getContext('2d')!.putImageData(new ImageData(image.data, image.width, image.height), 0, 0)
    return new Promise((resolve, reject) => {
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error(say('common.noPicture')))), 'image/png')
    })
  }

  private stop(reason: Fault): void {
    this.slow = reason
    this.planner?.stop()
    this.painter?.close()
    this.painter = undefined
  }

  /** Ends what is under way; nothing is noted. */
  close(): void {
    this.isStopped = true
    this.planner?.close()
    this.painter?.close()
    this.planner = this.painter = undefined
  }
}
