/** How long nothing must have been asked for, ms: who holds a key down, or edits right after a step, waits for nothing. */
const PAUSE = 40

/** A picture that may be asked for soon, and how it is painted. */
export interface Coming<Image> {
  readonly key: string
  readonly paint: () => Promise<Image>
}

/**
 * Pictures painted before they are asked for, in the pause after another was shown: who walks a rail asks for the next step while
 * this one is still being looked at, and a step that takes long is made up for by the quick ones before it. One is painted at a time,
 * with a pause before each, so that whatever else is asked for waits for one picture at most.
 */
export class PaintedAhead<Image> {
  private kept = new Map<string, Promise<Image>>()
  /** Counts what ends the painting ahead. */
  private turn = 0

  /** Paints one after another, the next to be asked for first; earlier pictures that are not among these are forgotten. */
  prepare(coming: readonly Coming<Image>[]): void {
    const { kept } = this
    this.kept = new Map(coming.flatMap(({ key }): [string, Promise<Image>][] => (kept.has(key) ? [[key, kept.get(key)!]] : [])))
    void this.paint(
      coming.filter(({ key }) => !this.kept.has(key)),
      ++this.turn,
    )
  }

  private async paint(coming: readonly Coming<Image>[], turn: number): Promise<void> {
    for (const { key, paint } of coming) {
      await new Promise((resolve) => setTimeout(resolve, PAUSE))
      if (turn !== this.turn) return
      const image = paint()
      this.kept.set(key, image)
      // Whoever asks for it will be told.
      await image.catch(() => this.kept.get(key) === image && this.kept.delete(key))
    }
  }

  /** @returns the picture, to be given away, if it was painted or is being so; either way no other is begun, and what is kept stays */
  take(key: string): Promise<Image> | undefined {
    this.turn++
    const image = this.kept.get(key)
    this.kept.delete(key)
    return image
  }

  /** What they show may have changed. */
  forget(): void {
    this.turn++
    this.kept = new Map()
  }
}
