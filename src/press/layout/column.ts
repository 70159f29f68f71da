/** Where something is put: its left edge, its line or upper edge counted from below, and how wide it may be, pt. */
export interface SheetPlace {
  readonly x: number
  readonly y: number
  readonly width: number
}

/**
 * A column that is filled from the top: each thing takes its height, and the next stands below it. Where less is left than a
 * thing needs, it goes on at the top of the next page.
 */
export class FlowColumn implements SheetPlace {
  constructor(
    readonly x: number,
    readonly width: number,
    /** How far down it is filled, pt from the lower edge of the page. */
    public y: number,
    /** Begins a page. @returns where the column goes on, pt from below; a column without one ends on its page */
    private readonly nextPage?: () => number,
  ) {}

  /** Takes a height, and leaves a gap below. */
  take(height: number, gap = 0): void {
    this.y -= height + gap
  }

  /** Goes on a new page unless so much is left above the lower edge of the page. */
  need(height: number): void {
    if (this.nextPage && this.y < height) this.y = this.nextPage()
  }

  /** A narrower place in the same line. */
  inset(left: number): SheetPlace {
    return { x: this.x + left, y: this.y, width: this.width - left }
  }
}
