import { expose } from 'comlink'
import type { Colour } from '@core/catalogue'
import { PartListener, type Camera, type PartNews, type PictureSize } from '@core/picture'
import { staysAlive } from './alive'
import { GraphicsRenderer, whoDraws, type FrameManner } from './graphics/graphics-renderer'

const alive = staysAlive()

let renderer: GraphicsRenderer | undefined
const heard = { pale: new PartListener(), solid: new PartListener(), ghosts: new PartListener() }

/** Draws models away from the page: where there is no graphics card a frame takes as long as it takes, and the page answers meanwhile. */
const api = {
  ready: (): Promise<boolean> => alive,
  /** Asked before a canvas is given away, which cannot be had back. */
  canDraw: (): boolean => whoDraws() !== undefined,
  begin(canvas: OffscreenCanvas): void {
    renderer = new GraphicsRenderer(canvas, whoDraws() === 'card')
  },
  setColours(colours: readonly Colour[]): void {
    renderer?.setColours(colours)
  },
  setParts(pale: PartNews, solid: PartNews): void {
    renderer?.setParts(heard.pale.hear(pale), heard.solid.hear(solid))
  },
  setGhosts(ghosts: PartNews): void {
    renderer?.setGhosts(heard.ghosts.hear(ghosts))
  },
  /** Answers when the frame is drawn. */
  draw: (camera: Camera, size: PictureSize, manner: FrameManner): Promise<void> =>
    new Promise((resolve) => {
      requestAnimationFrame(() => {
        renderer?.draw(camera, size, manner)
        resolve()
      })
    }),
  tooSlow(ms: number): void {
    renderer?.tooSlow(ms)
  },
}

export type GraphicsApi = typeof api
expose(api)
