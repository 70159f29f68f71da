import { NO_TURN, TURNS, type Box, type Turn } from '../space'
import type { DrawnSection } from './drawn-section'
import { frameCamera, type PictureFrame } from './frames'
import { WHITE } from './paint'
import type { Camera, PictureSize, ViewNumber } from './view'
import { ViewState } from './view-state'

const MOST_VIEWS = 2
/** More steps than this are not drawn on in passing. */
const FEW_STEPS = 24

/** Where a section is seen from, how it lies, and what must be in the picture. */
export interface FramedView {
  readonly view: ViewNumber
  readonly orientation: Turn
  readonly frame: PictureFrame
}

const keyOf = ({ view, orientation, frame: { box } }: FramedView): string => [orientation, view, ...box.min, ...box.max].join()

/** The views of a section that are kept drawn as far as somebody has looked, so that each step adds only its own parts. */
export class KeptViews {
  private readonly views = new Map<string, ViewState>()
  /** Views of an earlier version that nobody looks at any more: their memory is there. */
  private readonly spare: ViewState[] = []

  /** @param finer dots each way for one dot of the picture */
  constructor(
    private readonly section: DrawnSection,
    private readonly size: PictureSize,
    private readonly finer: number,
  ) {}

  cameraOf = (box: Box, view: ViewNumber, orientation: Turn): Camera => frameCamera(box, view, TURNS[orientation]!, this.size, this.finer)

  /** Whether a view is drawn nearly as far already. */
  isNear(framed: FramedView, steps: number): boolean {
    const state = this.views.get(keyOf(framed))
    return state !== undefined && state.canReach(steps) && steps - state.drawn <= FEW_STEPS
  }

  /** A view with so many steps drawn. */
  at(framed: FramedView, steps: number): ViewState {
    const key = keyOf(framed)
    let state = this.views.get(key)
    // A map keeps the order of what was put in: the view that was not looked at for longest stands first.
    this.views.delete(key)
    if (!state?.canReach(steps)) {
      // Few views are kept, since buffers are large; the memory of one that goes is taken for the one that comes.
      const spare = state ?? this.spare.pop() ?? this.oldest()
      const options = { finer: this.finer, paper: WHITE, isGoingBack: state !== undefined, spare }
      const dots = { width: this.size.width * this.finer, height: this.size.height * this.finer }
      state = new ViewState(this.cameraOf(framed.frame.box, framed.view, framed.orientation), dots, options)
    }
    this.views.set(key, state)
    state.goTo(this.section, steps, framed.frame.from)
    return state
  }

  /** The finished section as it is framed. */
  finished = (view: ViewNumber, whole: PictureFrame): ViewState =>
    this.at({ view, orientation: NO_TURN, frame: whole }, this.section.ranges.length)

  /** Takes away the view that was not looked at for longest, where there are as many as are kept. */
  private oldest(): ViewState | undefined {
    if (this.views.size < MOST_VIEWS) return undefined
    const [key, state] = this.views.entries().next().value!
    this.views.delete(key)
    return state
  }

  /**
   * Goes on from the views of an earlier version of the section, as far as the steps are the same; those must not be used any more.
   * @param isSame whether all parts stand where they stood and look as they did; else only memory is taken over
   */
  takeOver(before: KeptViews, isSame: boolean): void {
    const common = isSame ? commonSteps(this.section, before.section) : 0
    for (const [key, state] of before.views) {
      const steps = Math.min(state.drawn, common)
      if (!isSame || !state.canReach(steps)) {
        this.spare.push(state)
        continue
      }
      state.goTo(before.section, steps)
      this.views.set(key, state)
    }
  }
}

/** How many of the first steps bring the same in the same order, lying the same way. */
function commonSteps(a: DrawnSection, b: DrawnSection): number {
  const most = Math.min(a.ranges.length, b.ranges.length)
  for (let step = 0; step < most; step++) {
    const [from, to] = a.nodeRanges[step]!
    const [ownFrom, ownTo] = b.nodeRanges[step]!
    if (from !== ownFrom || to !== ownTo || a.orientations[step] !== b.orientations[step] || a.ranges[step]![1] !== b.ranges[step]![1])
      return step
    for (let node = from; node < to; node++) if (a.nodeIds[node] !== b.nodeIds[node]) return step
  }
  return most
}
