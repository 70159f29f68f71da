import { memo } from '../memo'
import { unite, type Box, type Vec } from '../space'
import type { DrawnSection } from './drawn-section'
import { framesOf } from './choose-frames'
import { FrameMemory } from './frame-memory'
import { frameAt, type PictureFrame } from './frames'
import { ghostsOf, hullOf, liftsOf, partsOfNode, type Ghost } from './lifts'
import { shifted } from './picture-layer'
import type { SectionSpace } from './section-space'
import { collectBoxes, type StepBoxes } from './step-boxes'

/** Of a section, however sharp its pictures are: they are fitted alike. */
export const stepFramesOf = memo((section: DrawnSection) => new StepFrames(section))

/** What the pictures of a section's steps are fitted to: the frame of each, or more where things stand beside their place. */
class StepFrames {
  private frames: readonly PictureFrame[] | undefined

  constructor(private readonly section: DrawnSection) {}

  /** Where things stand beside their place in a step. */
  besides(step: number, lifts: ReadonlyMap<number, Vec>, ghosts: readonly Ghost[]): Box[] {
    const { section } = this
    return [
      ...[...lifts].map(([node, lift]) => shifted(hullOf(section, partsOfNode(section, step, node)), lift)),
      ...ghosts.map(({ parts, lift }) => shifted(hullOf(section, parts), lift)),
    ]
  }

  /** The frame that a step is seen in. */
  frameOf(step: number): PictureFrame {
    const { section } = this
    this.frames ??= framesOf(boxesOf(section), memoryOf(section.space))
    return frameAt(this.frames, step)
  }

  /** The last frame, fitted to the finished section. */
  get whole(): PictureFrame {
    const last = this.frameOf(this.section.ranges.length - 1)
    return { ...last, box: last.whole ?? last.box }
  }

  /** By frame, scale and sides, since things stand farther off where a picture is small. */
  private readonly far = new Map<string, Box>()

  /**
   * Around the work and all that stands beside it in the steps of a frame where things stand on the same sides: they share a camera,
   * and what stands on another side does not make them smaller.
   */
  farBox(step: number, scalePx: number): Box {
    const frame = this.frameOf(step)
    const sides = this.sidesOf(step, scalePx)
    const key = `${frame.from} ${scalePx} ${sides}`
    let far = this.far.get(key)
    if (!far) {
      const { ranges } = this.section
      far = ranges.reduce(
        (box, _, other) =>
          this.frameOf(other) === frame && this.sidesOf(other, scalePx) === sides
            ? this.besides(other, liftsOf(this.section, other, scalePx), ghostsOf(this.section, other, scalePx)).reduce(unite, box)
            : box,
        frame.box,
      )
      this.far.set(key, far)
    }
    return far
  }

  /** The sides on which things stand beside their place in a step. */
  private sidesOf(step: number, scalePx: number): string {
    const lifts = [...liftsOf(this.section, step, scalePx).values(), ...ghostsOf(this.section, step, scalePx).map(({ lift }) => lift)]
    return [...new Set(lifts.map((lift) => lift.map((value) => Math.sign(Math.round(value))).join()))].sort().join(' ')
  }
}

/** Where nothing has moved, what was found out before an edit of the steps holds for most of them. */
const memoryOf = memo((_: SectionSpace) => new FrameMemory())

function boxesOf({ parts, ranges, space, box }: DrawnSection): StepBoxes {
  return collectBoxes(ranges, box, ([from, to], around) => {
    for (let part = from; part < to; part++) around.add(space.hullOf(parts[part]!))
  })
}
