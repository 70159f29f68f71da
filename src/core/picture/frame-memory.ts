import type { Box } from '../space'
import type { StepBoxes } from './step-boxes'

/** What a frame of a region is worth for each of its steps, by how many steps it has, one less; as far as it was looked at. */
export type RegionWorths = readonly number[]

/**
 * What the last choice of frames found out about regions. It depends only on the boxes of the steps they are around, so that after an edit
 * most of it holds: all that lies before the edit, and all that lies behind it, a few steps on or back.
 */
export class FrameMemory {
  private known: StepBoxes = { all: [], work: [] }
  /** By the step after the last. */
  private worths: (RegionWorths | undefined)[] = []
  private now: StepBoxes = this.known
  private same = { before: 0, after: 0 }
  private next: (RegionWorths | undefined)[] = []

  /** To be told of what is asked for next. */
  begin(boxes: StepBoxes): void {
    this.known = this.now
    this.worths = this.next
    this.now = boxes
    this.next = []
    const [old, count] = [this.known.work.length, boxes.work.length]
    const most = Math.min(old, count)
    let before = 0
    while (before < most && this.isSame(before, before)) before++
    let after = 0
    while (after < most - before && this.isSame(old - 1 - after, count - 1 - after)) after++
    this.same = { before, after }
  }

  private isSame(old: number, step: number): boolean {
    const { known, now } = this
    return isSameBox(known.work[old]!, now.work[step]!) && isSameBox(known.all[old]!, now.all[step]!)
  }

  /** Of regions that end before a step and have so many steps at most: what is known of them, or what is found out. */
  of(end: number, steps: number, find: () => RegionWorths): RegionWorths {
    const { before, after } = this.same
    const [old, count] = [this.known.work.length, this.now.work.length]
    const at = end <= before ? end : end - steps >= count - after ? end - count + old : -1
    return (this.next[end] = this.worths[at] ?? find())
  }
}

export const isSameBox = (a: Box, b: Box): boolean =>
  a === b ||
  (a.min[0] === b.min[0] &&
    a.min[1] === b.min[1] &&
    a.min[2] === b.min[2] &&
    a.max[0] === b.max[0] &&
    a.max[1] === b.max[1] &&
    a.max[2] === b.max[2])
