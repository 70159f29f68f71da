import type { Catalogue } from '@core/catalogue'
import type { PlacedPart } from '@core/model'
import type { Camera, FreeView, PictureSize, SeenOutline } from '@core/picture'
import type { Box } from '@core/space'

/** How strongly a part is drawn. */
export type Strength = 'full' | 'pale'

/** What a picture of a model shows: its parts, and those that are in the hand or on their way. */
export interface ModelContent {
  readonly catalogue: Catalogue
  readonly parts: readonly PlacedPart[]
  /** Of each part; what is not drawn at all is not among the parts. */
  readonly strength: (part: number) => Strength
  /** Drawn over the rest, where it would be. */
  readonly ghosts: readonly PlacedPart[]
}

/** Draws a model, on a canvas that it was given; sizes in px of the page. */
export interface ModelRenderer {
  /** In words, for the page: how it is drawn. */
  readonly kind: 'graphics' | 'paper'
  setParts(content: Omit<ModelContent, 'ghosts'>): void
  setGhosts(ghosts: readonly PlacedPart[]): void
  /**
   * Done when it is drawn.
   * @param pace what moves is drawn coarser where it is large
   */
  draw(camera: Camera, size: PictureSize, pace: 'moving' | 'still'): Promise<void>
  /** Told how long frames take that follow each other while it moves, ms. */
  tooSlow?(ms: number): void
  close(): void
}

/** What a picture of a model lets others do. */
export interface ModelSight {
  readonly free: FreeView
  readonly sizes: PictureSize
  readonly wholeOutline: SeenOutline
  outlineOf(box: Box): SeenOutline
  fit(): void
  turn(by: FreeView): void
  zoom(factor: number): void
}

/** A box round something in the picture: what is chosen, what is in the hand, what is in the way. */
export interface ViewMark {
  readonly box: Box
  readonly kind: 'chosen' | 'hand' | 'clash'
}
