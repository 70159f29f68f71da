/** Dots written over that are remembered before the older half goes: with fourteen bytes each, some fourteen megabytes. */
const MOST = 1 << 20
const FIRST = 4096

/** The buffers that a journal puts back. */
export interface Restorable {
  readonly depth: Float32Array
  readonly part: Int32Array
  readonly face: Uint16Array
}

/**
 * What was in the buffer before each of the last steps was drawn, dot by dot, so that a step can be taken back at the price of
 * what it drew: going back along a rail, or drawing a step anew after an edit.
 */
export class Journal {
  private dots = new Int32Array(FIRST)
  private depth = new Float32Array(FIRST)
  private part = new Int32Array(FIRST)
  private face = new Uint16Array(FIRST)
  private length = 0
  /** Where each remembered step begins. */
  private starts: number[] = []

  /** How many of the last steps can be taken back. */
  get steps(): number {
    return this.starts.length
  }

  startStep(): void {
    this.starts.push(this.length)
  }

  /** Nothing can be taken back any more: something was drawn that is not noted. */
  forget(): void {
    this.starts = []
    this.length = 0
  }

  /** The older half goes. */
  private forgetOlder(): void {
    const kept = this.starts.slice(this.starts.length >> 1)
    const from = kept[0] ?? this.length
    for (const table of [this.dots, this.depth, this.part, this.face]) table.copyWithin(0, from, this.length)
    this.length -= from
    this.starts = kept.map((start) => start - from)
  }

  /** Notes a dot before it is written over. */
  note(buffer: Restorable, dot: number): void {
    if (this.length === this.dots.length) this.makeRoom()
    const at = this.length++
    this.dots[at] = dot
    this.depth[at] = buffer.depth[dot]!
    this.part[at] = buffer.part[dot]!
    this.face[at] = buffer.face[dot]!
  }

  /** A step that is under way is never forgotten. */
  private makeRoom(): void {
    if (this.dots.length >= MOST && this.starts.length > 1) this.forgetOlder()
    if (this.length === this.dots.length) this.grow()
  }

  private grow(): void {
    const larger = <Table extends Int32Array | Float32Array | Uint16Array>(table: Table, next: Table): Table => {
      next.set(table)
      return next
    }
    const size = this.dots.length * 2
    this.dots = larger(this.dots, new Int32Array(size))
    this.depth = larger(this.depth, new Float32Array(size))
    this.part = larger(this.part, new Int32Array(size))
    this.face = larger(this.face, new Uint16Array(size))
  }

  /** Takes the last step back. @throws RangeError where none is remembered */
  undoStep(buffer: Restorable): void {
    const start = this.starts.pop()
    if (start === undefined) throw new RangeError('no step is remembered')
    for (let at = this.length - 1; at >= start; at--) {
      const dot = this.dots[at]!
      buffer.depth[dot] = this.depth[at]!
      buffer.part[dot] = this.part[at]!
      buffer.face[dot] = this.face[at]!
    }
    this.length = start
  }
}
