import { isHeic, photoAddress, typeOfPhoto, type Photo } from '@core/model'

/** What print needs: 1,600 dots over 13 cm are 300 to the inch. */
const MOST_DOTS = 1_600
const QUALITY = 0.86

/**
 * Reads a photo as it is kept: turned as its tag says, no larger than print needs, with nothing in it but what is drawn (no place,
 * no time, no camera).
 * @throws Error with a sentence for the person
 */
export async function readPhoto(file: File): Promise<Photo> {
  const head = new Uint8Array(await file.slice(0, 16).arrayBuffer())
  if (isHeic(head)) throw new Error(`“${file.name}” is a HEIC photo, which browsers cannot read. Save it as JPEG and take that.`)
  if (!typeOfPhoto(head)) throw new Error(`“${file.name}” is no photo that can be read: JPEG, PNG and WebP can.`)
  const image = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error(`“${file.name}” is damaged: it cannot be read as a photo.`)
  })
  const fine = Math.min(1, MOST_DOTS / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.width * fine))
  canvas.height = Math.max(1, Math.round(image.height * fine))
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  image.close()
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY))
  if (!blob) throw new Error(`“${file.name}” is too large for this browser.`)
  return { file: photoAddress(new Uint8Array(await blob.arrayBuffer()), 'image/jpeg'), alt: '' }
}
