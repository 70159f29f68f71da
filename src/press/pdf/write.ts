import {
  concatTransformationMatrix,
  degrees,
  drawObject,
  PDFHexString,
  PDFRawStream,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFDict,
  type PDFDocument,
  type PDFImage,
  type PDFPage,
  type PDFRef,
  type RGB,
} from '@cantoo/pdf-lib'
import type { PictureContent, PictureRef } from '@core/booklet'
import { pieceKey, type PieceCount } from '@core/count'
import { photoBytes } from '@core/model'
import { deflateRows, indexedImage, rgbOf, type Drawing, type PictureSize, type PieceLook, type RgbImage } from '@core/picture'
import type { ImageItem, LaidBooklet, LaidSheet, PieceItem, PictureItem, SheetMark } from '../layout/items'
import type { Typefaces } from '../layout/sheet'
import { embedDrawing } from './drawing'
import { addOutline } from './outline'
import { TagWriter } from './tags'

/** What paints and draws for a booklet. */
interface SheetPainter {
  /** In areas and lines, or in dots where those would be too many; dots are good until the next is asked for. */
  render(picture: PictureRef, content: PictureContent, size?: PictureSize): Drawing | RgbImage
  drawPiece(piece: PieceCount, size: PictureSize, look: PieceLook): Drawing
}

interface PdfInput {
  /** The document that the typefaces are embedded in. */
  readonly doc: PDFDocument
  readonly faces: Typefaces
  readonly painter: SheetPainter
  /** Told from 0 to 1; throw from it to stop. */
  readonly progress?: (fraction: number) => void | Promise<void>
}

/** Writes a booklet that is laid out as a PDF: text selectable, fonts embedded, pictures as lines where they can be. */
export async function writePdf(booklet: LaidBooklet, input: PdfInput): Promise<Uint8Array> {
  const { doc, progress } = input
  const writer = new SheetWriter(input)
  for (const [i, sheet] of booklet.sheets.entries()) {
    await writer.write(sheet)
    await progress?.((i + 1) / booklet.sheets.length)
  }
  await writer.finish()
  const pages = doc.getPages()
  addOutline(
    doc,
    booklet.bookmarks.map(({ title, sheet }) => ({ title, page: pages[sheet]! })),
  )
  writer.tags.write(doc, booklet.structure)
  doc.setTitle(booklet.name, { showInWindowTitleBar: true })
  doc.setAuthor(booklet.designer)
  doc.setProducer('Jump Rail')
  doc.setLanguage(booklet.language)
  return doc.save()
}

/** What is placed as a picture: a reference and its size in its own units. */
interface Placeable {
  readonly ref: PDFRef
  readonly width: number
  readonly height: number
}

const colourOf = (hex: string): RGB => {
  const [red, green, blue] = rgbOf(hex)
  return rgb(red / 255, green / 255, blue / 255)
}

/** Rows of so many pictures wait in memory at most. */
const MOST_DEFLATING = 6

const hexOf = (bytes: Uint8Array): string => Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')

/** Writes sheet by sheet; what comes again is embedded once. */
class SheetWriter {
  readonly tags = new TagWriter()
  private readonly pieces = new Map<string, Promise<Placeable>>()
  private readonly images = new Map<string, Promise<PDFImage>>()
  /** Pictures whose rows are being deflated. */
  private readonly deflating: Promise<void>[] = []

  constructor(private readonly input: PdfInput) {}

  async write({ width, height, items }: LaidSheet): Promise<void> {
    const page = this.input.doc.addPage([width, height])
    for (const item of items) {
      // Before it is drawn, since pictures take their time.
      const draw = await this.drawer(item)
      this.tags.drawOn(page, item.element)
      draw(page)
    }
    this.tags.close()
  }

  /** To be waited for before the document is saved. */
  async finish(): Promise<void> {
    await Promise.all(this.deflating)
  }

  private async drawer(mark: SheetMark): Promise<(page: PDFPage) => void> {
    switch (mark.kind) {
      case 'picture': {
        const placeable = await this.picture(mark)
        return (page) => place(page, placeable, mark)
      }
      case 'piece': {
        const placeable = await this.piece(mark)
        return (page) => place(page, placeable, mark)
      }
      case 'image': {
        const image = await this.image(mark.address)
        return (page) => drawImage(page, image, mark)
      }
      default:
        return (page) => drawPlain(page, mark)
    }
  }

  private async picture({ picture, content, size }: PictureItem): Promise<Placeable> {
    const rendered = this.input.painter.render(picture, content, size)
    return 'items' in rendered ? this.embedLines(rendered) : this.embedDots(rendered)
  }

  /** The same piece to the same scale is embedded once. */
  private piece({ piece, look, size }: PieceItem): Promise<Placeable> {
    const key = `${pieceKey(piece)} ${look.view} ${look.scale.toFixed(2)}`
    let picture = this.pieces.get(key)
    if (!picture) this.pieces.set(key, (picture = this.embedLines(this.input.painter.drawPiece(piece, size, look))))
    return picture
  }

  private image(address: string): Promise<PDFImage> {
    let image = this.images.get(address)
    if (!image) {
      const { bytes, type } = photoBytes(address)
      const { doc } = this.input
      this.images.set(address, (image = type === 'image/jpeg' ? doc.embedJpg(bytes) : doc.embedPng(bytes)))
    }
    return image
  }

  /** A picture of dots by its colours. */
  private async embedDots(image: RgbImage): Promise<Placeable> {
    const { indices, palette } = indexedImage(image)
    const head = this.input.doc.context.obj({
      Type: 'XObject',
      Subtype: 'Image',
      Width: image.width,
      Height: image.height,
      BitsPerComponent: 8,
      ColorSpace: ['Indexed', 'DeviceRGB', palette.length / 3 - 1, PDFHexString.of(hexOf(palette))],
      Filter: 'FlateDecode',
      DecodeParms: { Predictor: 15, Colors: 1, BitsPerComponent: 8, Columns: image.width },
    })
    return { ref: await this.stream(head, deflateRows(indices, image.width)), width: 1, height: 1 }
  }

  /** Bytes go into the file as they are deflated, which goes on beside the drawing of what comes next. */
  private async stream(head: PDFDict, bytes: Promise<Uint8Array>): Promise<PDFRef> {
    const { context } = this.input.doc
    const ref = context.nextRef()
    this.deflating.push(bytes.then((deflated) => context.assign(ref, PDFRawStream.of(head, deflated))))
    if (this.deflating.length >= MOST_DEFLATING) await this.deflating.shift()
    return ref
  }

  private async embedLines(drawing: Drawing): Promise<Placeable> {
    const { doc, faces } = this.input
    const picture = async (address: string): Promise<PDFRef> => (await this.image(address)).ref
    return {
      ref: await embedDrawing(drawing, { doc, font: faces.bold.first, picture, stream: this.stream.bind(this) }),
      width: drawing.width,
      height: drawing.height,
    }
  }
}

function place(page: PDFPage, picture: Placeable, { x, y, width, height }: PictureItem | PieceItem): void {
  const name = page.node.newXObject('Im', picture.ref)
  page.pushOperators(
    pushGraphicsState(),
    concatTransformationMatrix(width / picture.width, 0, 0, height / picture.height, x, y),
    drawObject(name),
    popGraphicsState(),
  )
}

/** A turned picture hangs on another of its corners. */
function drawImage(page: PDFPage, image: PDFImage, { x, y, width, height, quarters }: ImageItem): void {
  const [left, low] = [
    [x, y],
    [x, y + height],
    [x + width, y + height],
    [x + width, y],
  ][quarters]!
  const side = quarters % 2 === 1 ? { width: height, height: width } : { width, height }
  page.drawImage(image, { x: left!, y: low!, ...side, rotate: degrees(-90 * quarters) })
}

function drawPlain(page: PDFPage, mark: Exclude<SheetMark, PictureItem | PieceItem | ImageItem>): void {
  switch (mark.kind) {
    case 'text':
      for (const { text, x, font } of mark.line.runs)
        page.drawText(text, { x: mark.x + x, y: mark.y, size: mark.size, font, color: colourOf(mark.colour) })
      break
    case 'line':
      page.drawLine({ start: mark.from, end: mark.to, thickness: mark.thickness, color: colourOf(mark.colour) })
      break
    case 'rectangle': {
      const { fill, line, thickness = 0 } = mark
      const paint = { ...(fill ? { color: colourOf(fill) } : {}), ...(line ? { borderColor: colourOf(line), borderWidth: thickness } : {}) }
      page.drawRectangle({ x: mark.x, y: mark.y, width: mark.width, height: mark.height, ...paint })
      break
    }
    case 'path': {
      const { x, y, scale, thickness } = mark
      page.drawSvgPath(mark.path, { x, y, scale, borderColor: colourOf(mark.colour), borderWidth: thickness })
      break
    }
    case 'ring': {
      const { x, y, radius, thickness } = mark
      page.drawEllipse({ x, y, xScale: radius, yScale: radius, borderColor: colourOf(mark.colour), borderWidth: thickness })
    }
  }
}
