import type { PlacedPart } from '@core/model'
import { paintParts, type Camera, type PictureSize } from '@core/picture'
import type { ModelContent, ModelRenderer } from './model-picture'

/** Our own picture, for browsers that have no graphics: slower, and the same to use. */
export function paperRenderer(canvas: HTMLCanvasElement): ModelRenderer {
  const context = canvas.getContext('2d')!
  let content: Omit<ModelContent, 'ghosts'> | undefined
  let ghosts: readonly PlacedPart[] = []
  return {
    kind: 'paper',
    setParts(next) {
      content = next
    },
    setGhosts(next) {
      ghosts = next
    },
    async draw(camera: Camera, size: PictureSize) {
      if (!content) return
      const [width, height] = [Math.max(1, Math.round(size.width)), Math.max(1, Math.round(size.height))]
      if (canvas.width !== width) canvas.width = width
      if (canvas.height !== height) canvas.height = height
      const { parts, strength, catalogue } = content
      const pale = parts.filter((_, i) => strength(i) === 'pale')
      const rest = parts.filter((_, i) => strength(i) !== 'pale')
      const all = [...pale, ...rest, ...ghosts]
      const { data } = paintParts({ parts: all, catalogue }, camera, { width, height }, { finer: 1, newFrom: pale.length, wash: 0.75 })
      const image = context.createImageData(width, height)
      for (let dot = 0; dot < width * height; dot++) {
        image.data[dot * 4] = data[dot * 3]!
        image.data[dot * 4 + 1] = data[dot * 3 + 1]!
        image.data[dot * 4 + 2] = data[dot * 3 + 2]!
        image.data[dot * 4 + 3] = 255
      }
      context.putImageData(image, 0, 0)
    },
    close() {
      content = undefined
    },
  }
}
