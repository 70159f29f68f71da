import { type PDFDict, type PDFDocument, type PDFFont, type PDFRef } from '@cantoo/pdf-lib'
import {
  CAPITAL_FOOT,
  deflated,
  FINEST,
  INK,
  SEAM,
  stepsOf,
  type Drawing,
  type DrawnItem,
  type EllipseItem,
  type Loop,
  type Rgb,
  type TextItem,
} from '@core/picture'

/** Pictures by their address, each embedded once, and the fonts letters are set in. */
export interface DrawingPress {
  readonly doc: PDFDocument
  readonly font: PDFFont
  readonly picture: (address: string) => Promise<PDFRef>
  /** Puts a stream into the document as soon as its bytes are deflated. @returns where it will be */
  readonly stream: (head: PDFDict, bytes: Promise<Uint8Array>) => Promise<PDFRef>
}

/** Four Bézier curves make an ellipse, with their handles this far out. */
const KAPPA = 0.5523
const PAPER: Rgb = [255, 255, 255]

/**
 * Writes a drawing as a form of a PDF, one unit for one px of it, its corner at the lower left.
 *
 * @returns the form, which pages place as they place pictures
 */
export async function embedDrawing(drawing: Drawing, press: DrawingPress): Promise<PDFRef> {
  const writer = new FormWriter(press)
  const content = await writer.write(drawing)
  const head = press.doc.context.obj({
    Type: 'XObject',
    Subtype: 'Form',
    BBox: [0, 0, drawing.width, drawing.height],
    Group: { S: 'Transparency', I: true },
    Resources: { XObject: writer.objects, ExtGState: writer.states, Font: writer.fonts },
    Filter: 'FlateDecode',
  })
  return press.stream(head, deflated(encoder.encode(content)))
}

const encoder = new TextEncoder()

/** Collects the text of one form, and what it names. */
class FormWriter {
  readonly objects: Record<string, PDFRef> = {}
  readonly states: Record<string, PDFRef> = {}
  readonly fonts: Record<string, PDFRef> = {}
  private readonly lines: string[] = []

  constructor(private readonly press: DrawingPress) {}

  async write(drawing: Drawing): Promise<string> {
    // The picture's y runs down, the paper's up.
    this.lines.push(`1 j 1 J 1 0 0 -1 0 ${drawing.height} cm`)
    for (const item of drawing.items) await this.item(item)
    return this.lines.join('\n')
  }

  private async item(item: DrawnItem): Promise<void> {
    switch (item.kind) {
      case 'area':
        this.lines.push(`${colours(item.colour)} ${text(item.seam ?? SEAM)} w`, area(item.loops, 'B'))
        break
      case 'lines':
        this.lines.push(`${colours(item.colour)} ${text(item.width)} w`, strokes(item.lines))
        break
      case 'picture':
        await this.picture(item)
        break
      case 'ellipse':
        this.ellipse(item)
        break
      case 'text':
        this.text(item)
        break
      case 'drawing':
        await this.inner(item)
    }
  }

  private async picture({ address, corner, right, down, within, opacity }: Extract<DrawnItem, { kind: 'picture' }>): Promise<void> {
    const name = this.name(this.objects, 'Im', await this.press.picture(address))
    const state = this.opacity(opacity)
    // A picture's own y runs up from its lower edge.
    const matrix = [...right, -down[0], -down[1], corner[0] + down[0], corner[1] + down[1]].map(text).join(' ')
    this.lines.push('q', `${path(within)}W n`, state, `${matrix} cm /${name} Do`, 'Q')
  }

  private async inner({ drawing, left, top, isFramed, opacity }: Extract<DrawnItem, { kind: 'drawing' }>): Promise<void> {
    const { width, height } = drawing
    const name = this.name(this.objects, 'Fm', await embedDrawing(drawing, this.press))
    this.lines.push('q', `1 0 0 1 ${text(left)} ${text(top)} cm`)
    if (isFramed) this.lines.push(`${colours(PAPER, INK)} 2 w -1 -1 ${width + 2} ${height + 2} re B`)
    this.lines.push(`0 0 ${width} ${height} re W n`, this.opacity(opacity), `1 0 0 -1 0 ${height} cm /${name} Do`, 'Q')
  }

  private opacity(share: number): string {
    if (share >= 1) return ''
    const state = this.press.doc.context.obj({ Type: 'ExtGState', ca: share, CA: share })
    return `/${this.name(this.states, 'Gs', this.press.doc.context.register(state))} gs`
  }

  private name(into: Record<string, PDFRef>, kind: string, ref: PDFRef): string {
    const known = Object.keys(into).find((name) => into[name] === ref)
    if (known) return known
    const name = `${kind}${Object.keys(into).length}`
    into[name] = ref
    return name
  }

  private ellipse({ at, radii, fill, line, width }: EllipseItem): void {
    const paint = fill ? (width > 0 ? 'B' : 'f') : 'S'
    this.lines.push(`${colours(fill ?? line, line)} ${text(width)} w ${ellipse(at, ...radii)} ${paint}`)
  }

  private text({ at, text: letter, size, colour }: TextItem): void {
    const { font } = this.press
    const name = this.name(this.fonts, 'F', font.ref)
    const x = at[0] - font.widthOfTextAtSize(letter, size) / 2
    const place = `1 0 0 -1 ${text(x)} ${text(at[1] + size * CAPITAL_FOOT)} Tm`
    this.lines.push(`${colours(colour)} BT /${name} ${size} Tf ${place} ${font.encodeText(letter).toString()} Tj ET`)
  }
}

const text = (value: number): string => String(Math.round(value * 1000) / 1000)
const share = (value: number): string => String(Math.round((value / 255) * 1000) / 1000)
const colours = (fill: Rgb, line: Rgb = fill): string => `${fill.map(share).join(' ')} rg ${line.map(share).join(' ')} RG`

const polyline = (loop: Loop): string => loop.map(([x, y], i) => `${text(x)} ${text(y)} ${i === 0 ? 'm' : 'l'} `).join('')
const path = (loops: readonly Loop[]): string => loops.map((loop) => `${polyline(loop)}h `).join('')

/** An area that is all around one is told from its own corner: what is alike reads alike and packs small. */
function area(loops: readonly Loop[], paint: string): string {
  return loops.length === 1 ? moved(loops[0]!, (corners) => `${corners}h ${paint}`) : `${path(loops)}${paint}`
}

const strokes = (lines: readonly Loop[]): string => lines.map((line) => moved(line, (corners) => `${corners}S`)).join('\n')

function moved(loop: Loop, paint: (corners: string) => string): string {
  const [x, y] = loop[0]!
  let [u, v] = [0, 0]
  const corners = stepsOf(loop).map(([du, dv]) => {
    u += du
    v += dv
    return `${text(u)} ${text(v)} l `
  })
  return `q 1 0 0 1 ${text(Math.round(x / FINEST) * FINEST)} ${text(Math.round(y / FINEST) * FINEST)} cm 0 0 m ${paint(corners.join(''))} Q`
}

function ellipse([cx, cy]: readonly [number, number], rx: number, ry: number): string {
  const at = (u: number, v: number): string => `${text(cx + u * rx)} ${text(cy + v * ry)}`
  const quarter = (a: readonly [number, number], b: readonly [number, number]): string => {
    const first = at(a[0] + b[0] * KAPPA, a[1] + b[1] * KAPPA)
    return `${first} ${at(b[0] + a[0] * KAPPA, b[1] + a[1] * KAPPA)} ${at(b[0], b[1])} c `
  }
  return `${at(1, 0)} m ${quarter([1, 0], [0, 1])}${quarter([0, 1], [-1, 0])}${quarter([-1, 0], [0, -1])}${quarter([0, -1], [1, 0])}h`
}
