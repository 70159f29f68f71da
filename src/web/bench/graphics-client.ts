import { transfer } from 'comlink'
import type { Catalogue } from '@core/catalogue'
import type { PlacedPart } from '@core/model'
import { handedOver, PartTeller, type Camera, type PartNews, type PictureSize } from '@core/picture'
import type { GraphicsApi } from '../../workers/graphics.worker'
import { RequestTable, type MakeWorker } from '../workers/request-table'
import type { ModelContent, ModelRenderer } from './model-picture'

const makeGraphics: MakeWorker = (name) =>
  new Worker(new URL('../../workers/graphics.worker.ts', import.meta.url), { type: 'module', name })

/** Draws a model by a worker that has the canvas. */
class GraphicsClient implements ModelRenderer {
  readonly kind = 'graphics'
  private readonly tellers = { pale: new PartTeller(), solid: new PartTeller(), ghosts: new PartTeller() }
  private catalogue: Catalogue | undefined

  constructor(private readonly table: RequestTable<GraphicsApi>) {}

  setParts({ parts, catalogue, strength }: Omit<ModelContent, 'ghosts'>): void {
    if (catalogue.colours !== this.catalogue?.colours) this.say((remote) => remote.setColours([...catalogue.colours.values()]))
    this.catalogue = catalogue
    const isPale = (part: number): boolean => strength(part) === 'pale'
    const pale = this.tellers.pale.tell(parts.filter((_, part) => isPale(part)))
    const solid = this.tellers.solid.tell(parts.filter((_, part) => !isPale(part)))
    this.say((remote) => remote.setParts(given(pale), given(solid)))
  }

  setGhosts(parts: readonly PlacedPart[]): void {
    const ghosts = this.tellers.ghosts.tell(parts)
    this.say((remote) => remote.setGhosts(given(ghosts)))
  }

  async draw(camera: Camera, size: PictureSize, pace: 'moving' | 'still'): Promise<void> {
    // The worker may end under way: whoever made this is told by the table.
    await this.table.ask((remote) => remote.draw(camera, size, { pace, ratio: window.devicePixelRatio })).catch(() => undefined)
  }

  tooSlow(ms: number): void {
    this.say((remote) => remote.tooSlow(ms))
  }

  close(): void {
    this.table.close()
  }

  /** Says what needs no answer. */
  private say(call: Parameters<RequestTable<GraphicsApi>['ask']>[0]): void {
    this.table.ask(call).catch(() => undefined)
  }
}

const given = (news: PartNews): PartNews => transfer(news, handedOver(news))

/**
 * @param onLost told when the worker has ended: its canvas is lost with it
 * @returns nothing where the browser has no graphics away from the page
 */
export async function graphicsClient(
  canvas: HTMLCanvasElement,
  onLost: () => void,
  make: MakeWorker = makeGraphics,
): Promise<ModelRenderer | undefined> {
  if (!('OffscreenCanvas' in window) || !('transferControlToOffscreen' in canvas)) return undefined
  let hasCanvas = false
  const table = new RequestTable<GraphicsApi>('graphics', make, () => {
    if (hasCanvas) onLost()
  })
  const canDraw = await table.ask((remote) => remote.canDraw()).catch(() => false)
  if (!canDraw) {
    table.close()
    return undefined
  }
  const offscreen = canvas.transferControlToOffscreen()
  hasCanvas = true
  table.ask((remote) => remote.begin(transfer(offscreen, [offscreen]))).catch(() => undefined)
  return new GraphicsClient(table)
}
