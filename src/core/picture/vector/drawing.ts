import type { FlatPoint } from '../../space'
import type { Loop } from '../display-list'
import type { MarkItem } from '../mark-items'

/** A picture in lines and areas, px from its top left corner; what comes later lies over what came before. */
export interface Drawing {
  readonly width: number
  readonly height: number
  readonly items: readonly DrawnItem[]
}

export type DrawnItem =
  | MarkItem
  /** A PNG (a data address) whose corner and sides lie as given, where the loops are. */
  | {
      readonly kind: 'picture'
      readonly address: string
      readonly corner: FlatPoint
      readonly right: FlatPoint
      readonly down: FlatPoint
      readonly within: readonly Loop[]
      readonly opacity: number
    }
  /** A drawing over the others: with a frame and paper of its own, or as it is. */
  | {
      readonly kind: 'drawing'
      readonly drawing: Drawing
      readonly left: number
      readonly top: number
      readonly isFramed: boolean
      readonly opacity: number
    }

/** Every item, those inside drawings too. */
export function* itemsOf(drawing: Drawing): Generator<DrawnItem> {
  for (const item of drawing.items) {
    yield item
    if (item.kind === 'drawing') yield* itemsOf(item.drawing)
  }
}
