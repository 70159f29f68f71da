import type { FlatPoint } from '../../space'
import type { Mark } from '../marks'
import type { Rgb } from '../paint'

export type Loop = readonly FlatPoint[]

/** A picture in lines and areas, px from its top left corner; what comes later lies over what came before. */
export interface Drawing {
  readonly width: number
  readonly height: number
  readonly items: readonly DrawnItem[]
}

export type DrawnItem =
  /** An area of one colour; it is drawn wider by a hair (`SEAM`), so that areas that meet leave no gap. */
  | { readonly kind: 'area'; readonly colour: Rgb; readonly loops: readonly Loop[] }
  | { readonly kind: 'lines'; readonly colour: Rgb; readonly width: number; readonly lines: readonly Loop[] }
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
  | { readonly kind: 'mark'; readonly mark: Mark }
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

/** The width that closes the seam between areas, px. */
export const SEAM = 0.3
/** Letters, in px of the picture. */
export const LETTER = { size: 13, disc: 8.4, rim: 1.1 } as const
