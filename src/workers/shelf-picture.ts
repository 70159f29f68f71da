import type { PictureRef } from '@core/booklet'
import type { ModelDocument } from '@core/model'
import type { PictureSize } from '@core/picture'
import type { Printed } from './plan-messages'

/** px */
export const SHELF_PICTURE: PictureSize = { width: 480, height: 360 }

/** The model as it is finished, as the shelf shows it. */
export function finishedPicture(model: ModelDocument, printed: Printed): PictureRef {
  const root = printed.sections.find((section) => section.id === model.root)!
  return { section: root.id, step: Math.max(0, root.steps.length - 1), view: 0 }
}
