import { cleanPicture, pictureAddress } from '@core/model'
import { say } from '../language'

/** Dots for one mm of a decal: 600 to the inch. */
const DOTS_PER_MM = 600 / 25.4
/** More dots each way are not kept. */
const MOST_DOTS = 2400

/** A picture file as it can be put on pieces: a PNG, and how wide it is for its height. */
export interface ReadPicture {
  readonly address: string
  readonly aspect: number
}

/**
 * Reads a PNG, JPEG or SVG with the browser's own means and makes a PNG of it, fine enough for print at a size.
 *
 * @param widest how wide it will be printed, mm
 * @throws Error with a sentence for the person when the file is no picture
 */
export async function readPicture(file: Blob, widest: number): Promise<ReadPicture> {
  const url = URL.createObjectURL(file)
  try {
    const image = await load(url)
    // A drawing without a size of its own counts as a square.
    const [width, height] = [image.naturalWidth || 300, image.naturalHeight || 300]
    const isDrawing = file.type === 'image/svg+xml'
    const wanted = widest * DOTS_PER_MM
    const fine = Math.min(isDrawing ? wanted / width : Math.min(1, wanted / width), MOST_DOTS / width, MOST_DOTS / height)
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(width * fine))
    canvas.height = Math.max(1, Math.round(height * fine))
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
    const png = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
    if (!png) throw new Error(say('work.thePictureIsTooLarge'))
    return { address: cleanPicture(pictureAddress(new Uint8Array(await png.arrayBuffer()))), aspect: width / height }
  } finally {
    URL.revokeObjectURL(url)
  }
}

function load(url: string): Promise<HTMLImageElement> {
  return new Promise((done, fail) => {
    const image = new Image()
    image.onload = () => done(image)
    image.onerror = () => fail(new Error(say('work.thisFileIsNoPicture')))
    image.src = url
  })
}
