import { isHeic, photoAddress, typeOfPhoto, type Photo } from '@core/model'
import { say } from '../language'

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
  if (isHeic(head)) throw new Error(say('photos.isAHeicPhotoWhich', { name: file.name }))
  if (!typeOfPhoto(head)) throw new Error(say('photos.isNoPhotoThatCan', { name: file.name }))
  const image = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error(say('photos.isDamagedItCannotBe', { name: file.name }))
  })
  const fine = Math.min(1, MOST_DOTS / Math.max(image.width, image.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(image.width * fine))
  canvas.height = Math.max(1, Math.round(image.height * fine))
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  image.close()
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', QUALITY))
  if (!blob) throw new Error(say('photos.isTooLargeForThis', { name: file.name }))
  return { file: photoAddress(new Uint8Array(await blob.arrayBuffer()), 'image/jpeg'), alt: '' }
}
