/** How long nothing must have been asked for, ms: who holds a key down, or edits right after a step, waits for nothing. */
const PAUSE = 40

/**
 * One picture painted before it is asked for, in the pause after another was given away: who walks a rail asks for the next step
 * while this one is still being looked at. It never stands in the way: what is asked for meanwhile ends the wait for the pause.
 */
export class PaintedAhead<Image> {
  private timer: ReturnType<typeof setTimeout> | undefined
  private kept: { readonly key: string; readonly image: Image } | undefined

  /** Paints after a short pause; an earlier picture that nobody asked for is forgotten. */
  prepare(key: string, paint: () => Image): void {
    if (this.kept?.key === key) return
    this.forget()
    this.timer = setTimeout(() => {
      this.timer = undefined
      try {
        this.kept = { key, image: paint() }
      } catch {
        // Whoever asks for it will be told.
      }
    }, PAUSE)
  }

  /** @returns the picture, to be given away, if it is the one that was painted; either way nothing is painted ahead any more */
  take(key: string): Image | undefined {
    const { kept } = this
    this.forget()
    return kept?.key === key ? kept.image : undefined
  }

  /** What it shows may have changed. */
  forget(): void {
    clearTimeout(this.timer)
    this.timer = undefined
    this.kept = undefined
  }
}
