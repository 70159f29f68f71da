import { layDecals, pageTitle, type DecalPage, type PlacedDecal } from '@core/booklet'
import { PieceSheet } from './pieces'
import { FAINT, PT_PER_MM } from './sheet'

/** Cutting marks: how long, and how far off the corner, mm. */
const MARK = { length: 3, gap: 0.8 }
/** What is left free above and below the decals, mm. */
const HEAD = 44
const FOOT = 26
/** The line by which a builder sees whether the printer kept the size, mm. */
const RULER = 50

/** Prints sheets of decals at true size. */
export class DecalSheet extends PieceSheet {
  protected decalSheets(page: DecalPage): void {
    const { words } = this.input
    const left = this.margin / PT_PER_MM
    const area = { left, bottom: FOOT, width: this.width / PT_PER_MM - 2 * left, height: this.height / PT_PER_MM - HEAD - FOOT }
    const sheets = layDecals(page.decals, area)
    for (const [i, sheet] of sheets.entries()) {
      this.newPage()
      if (i === 0) this.bookmark(pageTitle(page, words))
      this.decalHead(sheets.length > 1 ? words.say('decal.sheet', { n: i + 1, of: sheets.length }) : words.say('decal.head'))
      for (const placed of sheet) this.placedDecal(placed)
    }
  }

  private decalHead(title: string): void {
    this.text(title, this.margin, this.top, { size: 22, font: this.bold, role: 'H2' })
    const { say } = this.input.words
    const column = this.pageColumn(this.top - 20)
    this.write(column, say('decal.how'), { size: 10 }, 6)
    const { y } = column
    const end = this.margin + RULER * PT_PER_MM
    this.stroke([this.margin, y], [end, y], 0.7)
    for (const x of [this.margin, end]) this.stroke([x, y - 3], [x, y + 3], 0.7)
    this.text(say('decal.ruler', { n: RULER }), end + 8, y - 3, { size: 9, colour: FAINT })
  }

  private placedDecal({ decal, x, y }: PlacedDecal): void {
    const [width, height] = decal.size.map((side) => side * PT_PER_MM) as [number, number]
    const [left, low] = [x * PT_PER_MM, y * PT_PER_MM]
    const image = { kind: 'image', address: decal.picture, quarters: 0, x: left, y: low, width, height } as const
    this.elements.inside('Figure', () => this.put(image), this.input.words.say('decal.named', { name: decal.id }))
    for (const [cx, wayX] of [
      [left, -1],
      [left + width, 1],
    ] as const) {
      for (const [cy, wayY] of [
        [low, -1],
        [low + height, 1],
      ] as const) {
        this.cuttingMark(cx + wayX * MARK.gap * PT_PER_MM, cy, wayX * MARK.length * PT_PER_MM, 0)
        this.cuttingMark(cx, cy + wayY * MARK.gap * PT_PER_MM, 0, wayY * MARK.length * PT_PER_MM)
      }
    }
  }

  private cuttingMark = (x: number, y: number, dx: number, dy: number): void => this.stroke([x, y], [x + dx, y + dy], 0.35)
}
