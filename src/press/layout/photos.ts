import { drawMark } from '@core/booklet'
import { isBeside, photoBytes, photoSize, type Photo, type PhotoMark } from '@core/model'
import type { FlatPoint } from '@core/space'
import type { FlowColumn } from './column'
import { DecalSheet } from './decals'
import { ACCENT, FAINT } from './sheet'

const LINE = 2.2

/** Prints photos with what is drawn on them. */
export class PhotoSheet extends DecalSheet {
  /** A photo in a column, no wider and no higher than it may be, pt; one that cannot be printed is told in words. */
  protected photo(photo: Photo, column: FlowColumn, most: number): void {
    const { say } = this.input.words
    const size = sizeToPrint(photo)
    if (!size) {
      this.write(column, say('page.noPhoto', { name: photo.alt || photo.file.slice(0, 80) }), { size: 9, colour: FAINT }, 4)
      return
    }
    const { quarters } = size
    const width = Math.min(most, column.width, (most * 0.75 * size.width) / size.height)
    const height = (width * size.height) / size.width
    column.need(height + 40)
    column.take(height + 4)
    this.putPhoto(photo, { x: column.x, y: column.y, width, height }, quarters)
    column.take(8)
    this.write(column, photo.alt, { size: 8.5, colour: FAINT, role: 'Caption' }, 4)
  }

  /** As large as it can be in the middle of a frame; nothing where it cannot be printed. */
  protected photoIn(photo: Photo, { x, y, width, height }: PhotoFrame): void {
    const size = sizeToPrint(photo)
    if (!size) return
    const scale = Math.min(width / size.width, height / size.height)
    const [wide, high] = [size.width * scale, size.height * scale]
    this.putPhoto(photo, { x: x + (width - wide) / 2, y: y + (height - high) / 2, width: wide, height: high }, size.quarters)
  }

  private putPhoto(photo: Photo, frame: PhotoFrame, quarters: 0 | 1 | 2 | 3): void {
    const words = (photo.marks ?? []).flatMap(({ text }) => text ?? [])
    const put = (): void => {
      this.put({ kind: 'image', address: photo.file, quarters, ...frame })
      for (const mark of photo.marks ?? []) this.photoMark(mark, frame)
    }
    this.elements.inside('Figure', put, [photo.alt || this.input.words.say('page.photo'), ...words].join('. '))
  }

  private photoMark(mark: PhotoMark, { x, y, width, height }: PhotoFrame): void {
    const { lines, ring, words } = drawMark(mark, width, height)
    // Paper counts from below.
    const place = ([across, down]: FlatPoint): [number, number] => [x + across, y + height - down]
    for (const points of lines) points.slice(1).forEach((point, i) => this.stroke(place(points[i]!), place(point), LINE, ACCENT))
    if (ring) {
      const [across, up] = place(ring.centre)
      this.put({ kind: 'ring', x: across, y: up, radius: ring.radius, thickness: LINE, colour: ACCENT })
    }
    if (words) this.text(words.text, ...place(words.at), { size: 10, font: this.bold, colour: ACCENT })
  }
}

/** A place of a sheet: its lower left corner, pt from that of the sheet. */
export interface PhotoFrame {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** How large a photo is, as it is seen; nothing where it lies elsewhere, or is of a kind that no paper takes. */
export function sizeToPrint(photo: Photo): ReturnType<typeof photoSize> | undefined {
  if (isBeside(photo)) return undefined
  const { bytes, type } = photoBytes(photo.file)
  return type === 'image/webp' ? undefined : photoSize(bytes, type)
}
