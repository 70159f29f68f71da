import type { ReadPreview } from '../../workers/plan-messages'
import { makePainter } from '../workers/make-painter'

const SIZE = { width: 640, height: 460 }

interface Painted {
  readonly width: number
  readonly height: number
  readonly data: Uint8ClampedArray<ArrayBuffer>
}

/** Paints a model that was read, in a painter of its own that is closed behind it. */
export function paintAll({ model, printed, root }: ReadPreview): { readonly image: Promise<Painted>; readonly stop: () => void } {
  const painter = makePainter()
  const paint = async (): Promise<Painted> => {
    try {
      // What is sent is given away: the preview keeps its own.
      await painter.openBytes(1, () => ({ model: model.slice(), printed: printed.slice() }))
      return await painter.picture({ section: root, step: 0, view: 0 }, 'finished', SIZE)
    } finally {
      painter.close()
    }
  }
  return { image: paint(), stop: () => painter.close() }
}
