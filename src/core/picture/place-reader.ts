import { partHull, type Scene } from '../scene'
import { boxesMeet, NO_TURN, TURNS, unite, type Box, type Turn, type Vec } from '../space'
import { boxesAfterSteps, frameAt, frameCamera, framesOf, type PictureFrame } from './frames'
import { GBuffer } from './g-buffer'
import { insetCamera, isSmallIn, IN_SIGHT, widened } from './inset-frame'
import type { LaidSteps, StepLook } from './look'
import { ringsAt } from './marks'
import { pictureSceneOf, type PictureScene } from './picture-scene'
import { drawPart, PlacePicture, type OtherPlace, type PictureDifference, type Seeing } from './place-picture'
import { MeshProjector } from './projected-mesh'
import { seenOutline, type Camera, type PictureSize } from './view'

/** Dots of the picture that a step is read in: it has the shape that suits its frame. */
export const READ_DOTS = 480_000

/** px */
function readSize(shape: number, share: number): PictureSize {
  const width = Math.round(Math.sqrt(READ_DOTS / shape) * share)
  return { width, height: Math.round(width * shape) }
}
/** A glance is taken at a picture of this share of its size; what differs there so many times as much as needed differs. */
const GLANCE = 0.5
const CLEAR = 1.5

/** What is asked of a part: where it takes hold now, where else it could stand, and what difference no reader misses. */
export interface PlaceQuestion<Place extends OtherPlace> {
  /** Where it takes hold of what was there before, and where the rest of its step does, u: rings stand at the outermost. */
  readonly here: readonly Vec[]
  readonly besides: readonly Vec[]
  readonly places: readonly Place[]
  /** Whether it could stand there at all: asked only where the picture would hardly differ. */
  readonly isPossible: (place: Place) => boolean
  readonly enough: PictureDifference
}

/** A picture that grows as parts are drawn, seen from one side. */
interface Growing {
  readonly key: string
  readonly camera: Camera
  readonly projector: MeshProjector
  readonly buffer: GBuffer
  /** Steps drawn. */
  steps: number
}

/**
 * Tells by how much the picture of a step would differ if one of its parts stood elsewhere: marks and insets included, edges as lines
 * of ink. Each step is drawn once; of every part only its surroundings are drawn again.
 */
export class PlaceReader {
  private readonly stage: PictureScene
  private readonly frames: readonly PictureFrame[]
  private readonly colours: Uint16Array
  private readonly growing = new Map<number, Growing>()

  constructor(
    private readonly laid: LaidSteps,
    private readonly looks: readonly StepLook[],
  ) {
    const { scene, steps } = laid
    this.stage = pictureSceneOf(scene)
    this.frames = framesOf(boxesAfterSteps(scene, steps, this.stage.box))
    const known = new Map<string, number>()
    this.colours = Uint16Array.from(scene.parts, ({ colour }) => {
      if (!known.has(colour)) known.set(colour, known.size)
      return known.get(colour)!
    })
  }

  /**
   * The first of some other places of a part where it could stand without the picture telling.
   * @param step from 0; asked in ascending order
   */
  findAlike<Place extends OtherPlace>(step: number, node: number, question: PlaceQuestion<Place>): Place | undefined {
    const { scene } = this.stage
    const { places, isPossible, enough } = question
    const part = this.stage.list[this.stage.start[node]!]!
    const others = this.laid.steps[step]!.filter((other) => other !== node).flatMap((other) => this.partsOf(other))
    const isNew = this.newIn(step)
    const pictureOf = ({ camera, projector, buffer }: Growing): PlacePicture => {
      const picture = new PlacePicture({ camera, projector, colours: this.colours, isNew }, scene, part)
      picture.fill(buffer, others, places)
      return picture
    }
    const glance = pictureOf(this.drawnBefore(step, GLANCE))
    const clear = { dots: enough.dots * CLEAR * GLANCE * GLANCE, across: enough.across * CLEAR * GLANCE }
    let fine: FinePictures | undefined
    return places.find((place) => {
      // Lines of ink only add to what differs, so where areas already differ enough, at a glance, they need not be drawn.
      if (reaches(glance.areaDifference(place.pose, clear), clear) || !isPossible(place)) return false
      if (!fine) {
        const growing = this.drawnBefore(step, 1)
        const { camera } = growing
        fine = { camera, main: pictureOf(growing), inset: this.insetOf(step, part, { growing, isNew, others, places }) }
      }
      return !this.isClear(fine, place, question)
    })
  }

  private isClear(
    { camera, main, inset }: FinePictures,
    { pose, holds }: OtherPlace,
    { here, besides, enough }: Pick<PlaceQuestion<OtherPlace>, 'here' | 'besides' | 'enough'>,
  ): boolean {
    if (reaches(main.areaDifference(pose, enough), enough)) return true
    const found = [
      main.differenceAt(pose),
      this.ringDots(camera, [...besides, ...main.thatShow(undefined, here)], [...besides, ...main.thatShow(pose, holds)]),
    ]
    if (inset) found.push(inset.differenceAt(pose))
    const dots = found.reduce((sum, each) => sum + each.dots, 0)
    return reaches({ dots, across: Math.max(...found.map(({ across }) => across)) }, enough)
  }

  private fresh: { step: number; isNew: Uint8Array } | undefined

  /** Of each part, 1 where a step brings it. */
  private newIn(step: number): Uint8Array {
    if (this.fresh?.step !== step) {
      const isNew = new Uint8Array(this.stage.scene.parts.length)
      for (const node of this.laid.steps[step]!) for (const part of this.partsOf(node)) isNew[part] = 1
      this.fresh = { step, isNew }
    }
    return this.fresh.isNew
  }

  private partsOf(node: number): number[] {
    const { start, list } = this.stage
    return [...list.subarray(start[node], start[node + 1])]
  }

  /** All steps before one, as they are seen in its picture. @param share of the picture's full size */
  private drawnBefore(step: number, share: number): Growing {
    const frame = frameAt(this.frames, step)
    const view = this.looks[step]?.view ?? 0
    const orientation: Turn = this.laid.orientations[step] ?? NO_TURN
    const key = `${frame.from} ${view} ${orientation}`
    let growing = this.growing.get(share)
    if (growing?.key !== key) {
      const size = readSize(frame.shape, share)
      const camera = frameCamera(frame.box, view, TURNS[orientation]!, size)
      growing = { key, camera, projector: new MeshProjector(camera), buffer: new GBuffer(size), steps: 0 }
      this.growing.set(share, growing)
    }
    for (; growing.steps < step; growing.steps++) {
      for (const node of this.laid.steps[growing.steps]!)
        for (const part of this.partsOf(node)) drawPart(growing.buffer, growing, this.stage.scene.parts[part]!, part)
    }
    return growing
  }

  /** The inset that shows a part, where there is one. */
  private insetOf(step: number, part: number, { growing, isNew, others, places }: InsetQuestion): PlacePicture | undefined {
    if (this.inset?.step !== step) this.inset = { step, ...this.drawInset(step, growing) }
    const { shown, seeing, buffer } = this.inset
    if (!seeing || !buffer || !shown.includes(part)) return undefined
    const picture = new PlacePicture({ ...seeing, colours: this.colours, isNew }, this.stage.scene, part)
    picture.fill(buffer, others, places)
    return picture
  }

  private inset: ({ readonly step: number } & DrawnInset) | undefined

  /** What was there before a step as its inset sees it; drawn once for all its parts. */
  private drawInset(step: number, growing: Growing): DrawnInset {
    const { scene } = this.stage
    const chosen = this.looks[step]?.inset
    const nodes = this.laid.steps[step]!
    const mine = nodes.flatMap((each) => this.partsOf(each))
    const isChosen = (node: number): boolean => chosen!.things.includes(scene.nodes[node]!.id)
    const isEnlarged = step > 0 && this.isSmall(growing, mine)
    const shown = chosen ? nodes.filter(isChosen).flatMap((each) => this.partsOf(each)) : isEnlarged ? mine : []
    if (shown.length === 0) return { shown }
    const box = shown.map((each) => hullOf(scene, each)).reduce(unite)
    const view = chosen?.view ?? this.looks[step]?.view ?? 0
    const orientation = TURNS[this.laid.orientations[step] ?? NO_TURN]!
    const own = insetCamera(box, view, orientation, { camera: growing.camera, size: growing.buffer.size, finer: 1 })
    const seeing: Seeing = { camera: own.camera, projector: new MeshProjector(own.camera) }
    const buffer = new GBuffer(own.size)
    const sight = widened(box, IN_SIGHT)
    for (let before = 0; before < step; before++) {
      for (const each of this.laid.steps[before]!)
        for (const there of this.partsOf(each))
          if (boxesMeet(hullOf(scene, there), sight)) drawPart(buffer, seeing, scene.parts[there]!, there)
    }
    return { shown, seeing, buffer }
  }

  private isSmall({ camera, buffer: { size } }: Growing, parts: readonly number[]): boolean {
    const { scene } = this.stage
    const { left, right, top, bottom } = seenOutline(camera, parts.map((each) => hullOf(scene, each)).reduce(unite))
    return isSmallIn({ camera, size, finer: 1 }, { width: right - left, height: bottom - top }, scene.parts.length)
  }

  /** Rings that stand elsewhere. */
  private ringDots(camera: Camera, here: readonly Vec[], there: readonly Vec[]): PictureDifference {
    const key = ([x, y]: readonly [number, number]): string => `${Math.round(x)} ${Math.round(y)}`
    const rings = (places: readonly Vec[]): { at: readonly [number, number]; radius: number }[] =>
      ringsAt({ camera, finer: 1 }, places).flatMap((mark) => (mark.kind === 'ring' ? [mark] : []))
    const [a, b] = [rings(here), rings(there)]
    const [keysA, keysB] = [new Set(a.map(({ at }) => key(at))), new Set(b.map(({ at }) => key(at)))]
    const moved = [...a.filter(({ at }) => !keysB.has(key(at))), ...b.filter(({ at }) => !keysA.has(key(at)))]
    if (moved.length === 0) return { dots: 0, across: 0 }
    const [xs, ys] = [moved.map(({ at }) => at[0]), moved.map(({ at }) => at[1])]
    const { radius } = moved[0]!
    const across = 2 * radius + Math.max(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
    return { dots: moved.length * 2 * Math.PI * radius * RING_SHARE * RING_LINE, across }
  }
}

/** A step's picture and its inset, around one part. */
interface FinePictures {
  readonly camera: Camera
  readonly main: PlacePicture
  readonly inset: PlacePicture | undefined
}

const reaches = ({ dots, across }: PictureDifference, enough: PictureDifference): boolean => dots >= enough.dots && across >= enough.across

/** A ring lies down, so its line is shorter than a circle's; how broad it is, px. */
const RING_SHARE = 0.85
const RING_LINE = 4.4

interface InsetQuestion {
  readonly growing: Growing
  readonly isNew: Uint8Array
  readonly others: readonly number[]
  readonly places: readonly OtherPlace[]
}

const hullOf = (scene: Scene, part: number): Box => partHull(scene.parts[part]!)

/** The parts of a step that its inset shows, and what was there before as it sees it. */
interface DrawnInset {
  readonly shown: readonly number[]
  readonly seeing?: Seeing
  readonly buffer?: GBuffer
}
