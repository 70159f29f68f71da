import {
  concatTransformationMatrix,
  degrees,
  drawObject,
  PDFRawStream,
  popGraphicsState,
  pushGraphicsState,
  rgb,
  type PDFDocument,
  type PDFImage,
  type PDFPage,
  type PDFRef,
  type RGB,
} from '@cantoo/pdf-lib'
import type { PictureContent, PictureRef } from '@core/booklet'
import { pieceKey, type PieceCount } from '@core/count'
import { photoBytes } from '@core/model'
import { deflateRows, rgbOf, type Drawing, type PictureSize, type PieceLook, type RgbImage } from '@core/picture'
import type { ImageItem, LaidBooklet, LaidSheet, PieceItem, PictureItem, SheetMark } from '../layout/items'
import type { Typefaces } from '../layout/sheet'
import { embedDrawing } from './drawing'
import { addOutline } from './outline'
import { TagWriter } from './tags'

/** What paints and draws for a booklet. */
interface SheetPainter {
  /** In areas and lines; nothing where that would be too many, then in dots. */
  draw(picture: PictureRef, content: PictureContent, size?: PictureSize): Drawing | undefined
  paint(picture: PictureRef, content: PictureContent, size?: PictureSize): RgbImage
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

/** Writes sheet by sheet; what comes again is embedded once. */
class SheetWriter {
  readonly tags = new TagWriter()
  private readonly pieces = new Map<string, Promise<Placeable>>()
  private readonly images = new Map<string, Promise<PDFImage>>()

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
    const { painter } = this.input
    const drawing = painter.draw(picture, content, size)
    return drawing ? this.embedLines(drawing) : this.embedDots(painter.paint(picture, content, size))
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

  /** A picture's rows go into the file as they are deflated: no second encoding. */
  private async embedDots(image: RgbImage): Promise<Placeable> {
    const { context } = this.input.doc
    const head = context.obj({
      Type: 'XObject',
      Subtype: 'Image',
      Width: image.width,
      Height: image.height,
      BitsPerComponent: 8,
      ColorSpace: 'DeviceRGB',
      Filter: 'FlateDecode',
      DecodeParms: { Predictor: 15, Colors: 3, BitsPerComponent: 8, Columns: image.width },
    })
    return { ref: context.register(PDFRawStream.of(head, await deflateRows(image))), width: 1, height: 1 }
  }

  private async embedLines(drawing: Drawing): Promise<Placeable> {
    const { doc, faces } = this.input
    const picture = async (address: string): Promise<PDFRef> => (await this.image(address)).ref
    return { ref: await embedDrawing(drawing, { doc, font: faces.bold.first, picture }), width: drawing.width, height: drawing.height }
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
