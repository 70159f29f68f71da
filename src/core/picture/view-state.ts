import { RenderTarget } from './render-target'
import type { DrawnSection } from './drawn-section'
import { Inker, type InkOptions } from './ink'
import type { RgbImage } from './rgb-image'
import { Journal } from './journal'
import { EMPTY_WINDOW, uniteWindows, type Window } from './g-buffer'
import type { Rgb } from './paint'
import type { Vec } from '../space'
import type { Camera, PictureSize } from './view'
import { mergeWindows } from './windows'

/** Steps before the one that is asked for that are drawn so that they can be taken back: noting what was there costs as much again. */
const REMEMBERED = 8
/** The same where somebody walks on, or has gone back so far that it must be drawn anew: more of that is to come. */
const REMEMBERED_OF_MANY = 128

export interface ViewStateOptions {
  readonly finer: number
  readonly paper: Rgb
  /** It is drawn anew since what was drawn could not be taken back. */
  readonly isGoingBack?: boolean
  /** One that nobody uses any more: its memory is taken. */
  readonly spare?: ViewState | undefined
}

/**
 * A section seen from one side, drawn up to some step. Going on draws what comes; going back takes back what was drawn last;
 * only what was touched is inked anew.
 */
export class ViewState {
  readonly target: RenderTarget
  private readonly inker: Inker
  private readonly journal = new Journal()
  /** Where each drawn step was drawn, in dots of the buffer. */
  readonly windows: Readonly<Window>[] = []
  /** The same, apart where its parts are: only of steps drawn since some were drawn together. */
  private readonly apart: (readonly Readonly<Window>[])[] = []
  /** Where the buffer has changed since it was inked. */
  private dirty: readonly Readonly<Window>[] = []
  /** Where the parts were that were inked as new; nothing where all must be inked again. */
  private newest: readonly Readonly<Window>[] | undefined

  private readonly isGoingBack: boolean

  constructor(camera: Camera, size: PictureSize, { finer, paper, isGoingBack = false, spare }: ViewStateOptions) {
    this.isGoingBack = isGoingBack
    this.target = new RenderTarget(camera, size, spare?.target)
    this.inker = new Inker(this.target.buffer, finer, paper, this.target.decals)
  }

  get drawn(): number {
    return this.windows.length
  }

  /** Whether it can be taken back so far that only so many steps are drawn. */
  canReach(steps: number): boolean {
    return steps >= this.drawn || this.drawn - steps <= this.journal.steps
  }

  /**
   * Draws or takes back until so many steps are drawn; must be able to reach them.
   * @param earliest steps before this one are not gone back to, so that what they cover need not be noted
   */
  goTo(section: DrawnSection, steps: number, earliest = 0): void {
    while (this.drawn > steps) this.takeBack()
    const remembered = this.drawn > 0 || this.isGoingBack ? REMEMBERED_OF_MANY : REMEMBERED
    const from = Math.max(earliest, steps - remembered)
    if (this.drawn < from) this.drawTogether(section, from)
    while (this.drawn < steps) this.drawStep(section, this.drawn)
  }

  /** Draws a step that can be taken back. */
  private drawStep(section: DrawnSection, step: number, lifts?: ReadonlyMap<number, Vec>): void {
    const { buffer } = this.target
    buffer.journal = this.journal
    this.journal.startStep()
    const [first, last] = section.ranges[step] ?? [0, 0]
    const windows: Window[] = []
    for (let part = first; part < last; part++) {
      windows.push(buffer.startWindow())
      this.target.draw(section, part, lifts?.get(section.partNode[part]!))
    }
    buffer.journal = undefined
    const apart = mergeWindows(windows)
    this.windows.push(apart.reduce(uniteWindows, EMPTY_WINDOW))
    this.apart.push(apart)
    this.touch(apart)
  }

  /** Draws steps that need not be taken back, the last first: what comes later covers most of what was there before, which is then not filled. */
  private drawTogether(section: DrawnSection, steps: number): void {
    const { buffer } = this.target
    const windows: Window[] = []
    buffer.journal = undefined
    // What was noted before lies under what is drawn now.
    this.journal.forget()
    this.apart.length = 0
    for (let step = steps - 1; step >= this.drawn; step--) {
      const [first, last] = section.ranges[step] ?? [0, 0]
      windows.push(buffer.startWindow())
      for (let part = last - 1; part >= first; part--) this.target.draw(section, part)
    }
    this.windows.push(...windows.reverse())
    this.touch(windows)
  }

  /** Draws a step with some of its things lifted off their place; to be taken back before anything else is drawn. */
  drawLifted(section: DrawnSection, step: number, lifts: ReadonlyMap<number, Vec>): void {
    this.goTo(section, step)
    this.drawStep(section, step, lifts)
  }

  takeBack(): void {
    this.journal.undoStep(this.target.buffer)
    this.windows.pop()
    this.touch(this.apart.pop()!)
  }

  private touch(windows: readonly Readonly<Window>[]): void {
    this.dirty = mergeWindows([...this.dirty, ...windows])
  }

  /** Inks the picture of the last drawn step. */
  ink(options: InkOptions): RgbImage {
    const own = this.apart[this.apart.length - 1] ?? this.windows.slice(-1)
    // Where nothing was ever drawn there is paper.
    const changed = this.newest ? [...this.dirty, ...this.newest, ...own] : [this.windows.reduce(uniteWindows, EMPTY_WINDOW), ...this.dirty]
    const image = this.inker.ink(changed, options)
    this.dirty = []
    this.newest = own
    return image
  }

  /** Inks all of it another way; the next picture of a step is inked as a whole too. */
  inkApart(options: InkOptions): RgbImage {
    this.newest = undefined
    const image = this.ink(options)
    this.newest = undefined
    return image
  }
}
