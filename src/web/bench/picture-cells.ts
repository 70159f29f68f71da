import type { CellPicture } from '@core/fill'
import { say } from '../language'

/**
 * A picture as cells: dark and solid ones are drawn.
 * @param height in cells
 * @throws Error with a sentence where it cannot be read
 */
export async function pictureCells(file: File, height: number): Promise<CellPicture> {
  const image = await createImageBitmap(file).catch(() => {
    throw new Error(say('bench.isNoPictureThatCan', { name: file.name }))
  })
  const columns = Math.max(1, Math.round((image.width * height) / image.height))
  const canvas = document.createElement('canvas')
  canvas.width = columns
  canvas.height = height
  const context = canvas.getContext('2d')!
  context.imageSmoothingQuality = 'high'
  context.drawImage(image, 0, 0, columns, height)
  image.close()
  const { data } = context.getImageData(0, 0, columns, height)
  const cells = Uint8Array.from({ length: columns * height }, (_, cell) => {
    const [r, g, b, alpha] = data.subarray(cell * 4, cell * 4 + 4) as unknown as [number, number, number, number]
    return alpha > 127 && 0.2126 * r + 0.7152 * g + 0.0722 * b < 128 ? 1 : 0
  })
  return { columns, rows: height, cells }
}
