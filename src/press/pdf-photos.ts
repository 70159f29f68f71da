import { degrees, type PDFImage } from '@cantoo/pdf-lib'
import { drawMark } from '@core/booklet'
import { isBeside, orientationOf, photoBytes, type Photo, type PhotoMark } from '@core/model'
import type { FlatPoint } from '@core/space'
import type { FlowColumn } from './column'
import { DecalSheet } from './pdf-decals'
import { ACCENT, FAINT } from './pdf-sheet'

/** How far a photo is turned by its tag, quarters clockwise. */
const QUARTERS: Readonly<Record<number, 0 | 1 | 2 | 3>> = { 3: 2, 6: 1, 8: 3 }
const LINE = 2.2

/** Prints photos with what is drawn on them. */
export class PhotoSheet extends DecalSheet {
  private readonly photos = new Map<string, PDFImage>()

  /** A photo in a column, no wider and no higher than it may be, pt; one that cannot be printed is told in words. */
  protected async photo(photo: Photo, column: FlowColumn, most: number): Promise<void> {
    const image = await this.imageOf(photo)
    if (!image) {
      this.write(column, `A photo cannot be printed here: ${photo.alt || photo.file.slice(0, 80)}`, { size: 9, colour: FAINT }, 4)
      return
    }
    const { image: embedded, quarters } = image
    const [wide, high] = quarters % 2 === 1 ? [embedded.height, embedded.width] : [embedded.width, embedded.height]
    const width = Math.min(most, column.width, (most * 0.75 * wide) / high)
    const height = (width * high) / wide
    column.need(height + 40)
    column.take(height + 4)
    const [x, y] = [column.x, column.y]
    const words = (photo.marks ?? []).flatMap(({ text }) => text ?? [])
    const draw = (): void => {
      this.drawTurned(embedded, { x, y, width, height }, quarters)
      for (const mark of photo.marks ?? []) this.photoMark(mark, { x, y, width, height })
    }
    await this.tagged('Figure', draw, [photo.alt || 'A photo', ...words].join('. '))
    column.take(8)
    this.write(column, photo.alt, { size: 8.5, colour: FAINT, role: 'Caption' }, 4)
  }

  private drawTurned(image: PDFImage, { x, y, width, height }: PhotoFrame, quarters: 0 | 1 | 2 | 3): void {
    const [left, low] = [
      [x, y],
      [x, y + height],
      [x + width, y + height],
      [x + width, y],
    ][quarters]!
    const side = quarters % 2 === 1 ? { width: height, height: width } : { width, height }
    this.page.drawImage(image, { x: left!, y: low!, ...side, rotate: degrees(-90 * quarters) })
  }

  private async imageOf({ file }: Photo): Promise<{ image: PDFImage; quarters: 0 | 1 | 2 | 3 } | undefined> {
    if (isBeside({ file })) return undefined
    const { bytes, type } = photoBytes(file)
    if (type === 'image/webp') return undefined
    let image = this.photos.get(file)
    if (!image) this.photos.set(file, (image = await (type === 'image/jpeg' ? this.doc.embedJpg(bytes) : this.doc.embedPng(bytes))))
    return { image, quarters: type === 'image/jpeg' ? (QUARTERS[orientationOf(bytes)] ?? 0) : 0 }
  }

  private photoMark(mark: PhotoMark, { x, y, width, height }: PhotoFrame): void {
    const { lines, ring, words } = drawMark(mark, width, height)
    // Paper counts from below.
    const place = ([across, down]: FlatPoint) => ({ x: x + across, y: y + height - down })
    for (const points of lines) {
      points.slice(1).forEach((point, i) => {
        this.page.drawLine({ start: place(points[i]!), end: place(point), thickness: LINE, color: ACCENT })
      })
    }
    if (ring) {
      const { radius } = ring
      this.page.drawEllipse({ ...place(ring.centre), xScale: radius, yScale: radius, borderColor: ACCENT, borderWidth: LINE })
    }
    if (!words) return
    const at = place(words.at)
    this.text(words.text, at.x, at.y, { size: 10, font: this.bold, colour: ACCENT })
  }
}

interface PhotoFrame {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}
