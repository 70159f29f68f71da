import { partHull } from '../scene'
import { boxesMeet, NO_TURN, TURNS, unite, widened, type Box, type Turn, type Vec } from '../space'
import type { PatchesByPart } from './drawn-section'
import { framesOfSteps } from './choose-frames'
import { frameAt, frameCamera, frameFit, type PictureFrame } from './frames'
import { GBuffer } from './g-buffer'
import { insetCamera, isSmallIn, IN_SIGHT } from './inset-frame'
import { HOME, type LaidSteps, type StepInset, type StepLook } from './look'
import { ringsAt } from './marks'
import { pictureSceneOf, type PictureScene } from './picture-scene'
import { drawPart, PlacePicture, type OtherPlace, type PictureDifference, type Seeing } from './place-picture'
import { MeshProjector } from './projected-mesh'
import { projectedSize, seenOutline, type Camera, type PictureSize } from './view'

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
  /** Whether it is another way round there: a picture on it that shows tells that. */
  readonly isTurned: (place: Place) => boolean
  /** Whether it could stand there at all: asked only where the picture would hardly differ. */
  readonly isPossible: (place: Place) => boolean
  readonly enough: PictureDifference
}

/** A place that the picture of a step hardly tells from where a part belongs, and by how much it differs. */
export interface Doubt<Place extends OtherPlace> {
  readonly place: Place
  readonly differs: PictureDifference
}

/** What is asked of an inset. */
interface InsetQuestion<Place extends OtherPlace> extends Pick<PlaceQuestion<Place>, 'isTurned' | 'enough'> {
  readonly inset: StepInset
}

/** A picture of what was there before a step. */
interface DrawnBefore extends Seeing {
  readonly buffer: GBuffer
}

/** One that grows as parts are drawn, seen from one side. */
interface Growing extends DrawnBefore {
  readonly key: string
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
    private readonly patches: PatchesByPart = new Map(),
  ) {
    const { scene, steps } = laid
    this.stage = pictureSceneOf(scene)
    this.frames = framesOfSteps(scene, steps, this.stage.box).frames
    const known = new Map<string, number>()
    this.colours = Uint16Array.from(scene.parts, ({ colour }) => {
      if (!known.has(colour)) known.set(colour, known.size)
      return known.get(colour)!
    })
  }

  /**
   * Of some other places of a part those where it could stand without the picture of its step telling, insets aside.
   * @param step from 0; asked in ascending order
   */
  doubtsIn<Place extends OtherPlace>(step: number, node: number, question: PlaceQuestion<Place>): Doubt<Place>[] {
    const { places, isPossible, isTurned, enough } = question
    const glance = this.around(step, node, this.drawnBefore(step, GLANCE), places)
    const clear = { dots: enough.dots * CLEAR * GLANCE * GLANCE, across: enough.across * CLEAR * GLANCE }
    let main: PlacePicture | undefined
    return places.flatMap((place): Doubt<Place>[] => {
      // Lines of ink only add to what differs, so where areas already differ enough, at a glance, they need not be drawn.
      if (reaches(glance.areaDifference(place.pose, clear), clear) || !isPossible(place)) return []
      main ??= this.around(step, node, this.drawnBefore(step, 1), places)
      if (isTurned(place) && main.patchDots() >= LEAST_PATCH) return []
      const differs = this.differenceIn(main, this.drawnBefore(step, 1).camera, place, question)
      return reaches(differs, enough) ? [] : [{ place, differs }]
    })
  }

  /** What is left of doubts about a part where an inset shows it too; all where it does not. */
  doubtsWith<Place extends OtherPlace>(
    step: number,
    node: number,
    doubts: readonly Doubt<Place>[],
    question: InsetQuestion<Place>,
  ): readonly Doubt<Place>[] {
    const isLeft = this.leavesDoubt(step, node, doubts, question)
    return isLeft ? doubts.filter(isLeft) : doubts
  }

  /** Whether an inset settles all doubts about a part; the first that it does not ends the search. */
  settles<Place extends OtherPlace>(step: number, node: number, doubts: readonly Doubt<Place>[], question: InsetQuestion<Place>): boolean {
    const isLeft = this.leavesDoubt(step, node, doubts, question)
    return isLeft !== undefined && !doubts.some(isLeft)
  }

  /** Tells of doubts about a part whether an inset leaves them; nothing where it does not show the part. */
  private leavesDoubt<Place extends OtherPlace>(
    step: number,
    node: number,
    doubts: readonly Doubt<Place>[],
    { inset, isTurned, enough }: InsetQuestion<Place>,
  ): ((doubt: Doubt<Place>) => boolean) | undefined {
    if (!inset.things.includes(this.stage.scene.nodes[node]!.id)) return undefined
    const places = doubts.map(({ place }) => place)
    const picture = this.around(step, node, this.drawnInset(step, inset), places)
    const isPatchSeen = picture.patchDots() >= LEAST_PATCH
    return ({ place, differs }) => {
      if (isTurned(place) && isPatchSeen) return false
      const isTold = ({ dots, across }: PictureDifference): boolean =>
        reaches({ dots: dots + differs.dots, across: Math.max(across, differs.across) }, enough)
      // Lines are drawn only where areas alone do not tell.
      return !isTold(picture.areaDifference(place.pose, enough)) && !isTold(picture.differenceAt(place.pose))
    }
  }

  private differenceIn<Place extends OtherPlace>(
    main: PlacePicture,
    camera: Camera,
    { pose, holds }: Place,
    { here, besides, enough }: PlaceQuestion<Place>,
  ): PictureDifference {
    const areas = main.areaDifference(pose, enough)
    if (reaches(areas, enough)) return areas
    const found = [
      main.differenceAt(pose),
      this.ringDots(camera, [...besides, ...main.thatShow(undefined, here)], [...besides, ...main.thatShow(pose, holds)]),
    ]
    return { dots: found.reduce((sum, { dots }) => sum + dots, 0), across: Math.max(...found.map(({ across }) => across)) }
  }

  /** The surroundings of a part in the picture of its step, or in an inset of it. */
  private around(step: number, node: number, { buffer, ...seeing }: DrawnBefore, places: readonly OtherPlace[]): PlacePicture {
    const part = this.stage.list[this.stage.start[node]!]!
    const others = this.laid.steps[step]!.filter((other) => other !== node).flatMap((other) => this.partsOf(other))
    const picture = new PlacePicture({ ...seeing, colours: this.colours, isNew: this.newIn(step) }, this.stage.scene, part)
    picture.fill(buffer, others, places)
    return picture
  }

  /** Whether a picture lies on what a node is made of. */
  hasPicture = (node: number): boolean => this.partsOf(node).some((part) => this.patches.has(part))

  /** About how many dots a node would have in the picture of a step, were nothing in front of it. */
  roughDots(step: number, node: number): number {
    const frame = frameAt(this.frames, step)
    const { width, height } = projectedSize(this.stage.scene.nodeBoxes[node]!, this.looks[step]?.view ?? HOME)
    const scale = frameFit(frame).perU * readSize(frame.shape, 1).width
    return width * height * scale * scale
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

  private seenBy(camera: Camera): Seeing {
    return { camera, projector: new MeshProjector(camera), patches: this.patches }
  }

  /** All steps before one, as they are seen in its picture. @param share of the picture's full size */
  private drawnBefore(step: number, share: number): Growing {
    const frame = frameAt(this.frames, step)
    const view = this.looks[step]?.view ?? HOME
    const orientation: Turn = this.laid.orientations[step] ?? NO_TURN
    const key = `${frame.from} ${view} ${orientation}`
    let growing = this.growing.get(share)
    if (growing?.key !== key) {
      const size = readSize(frame.shape, share)
      const camera = frameCamera(frame.box, view, TURNS[orientation]!, size)
      growing = { key, ...this.seenBy(camera), buffer: new GBuffer(size), steps: 0 }
      this.growing.set(share, growing)
    }
    for (; growing.steps < step; growing.steps++) {
      for (const node of this.laid.steps[growing.steps]!)
        for (const part of this.partsOf(node)) drawPart(growing.buffer, growing, this.stage.scene.parts[part]!, part)
    }
    return growing
  }

  /** The inset that a step has by itself: all that it brings, where that is small in its picture and nothing else is asked for. */
  usualInset(step: number): StepInset | undefined {
    if (step === 0) return undefined
    const nodes = this.laid.steps[step]!
    const parts = nodes.flatMap((node) => this.partsOf(node))
    if (!this.isSmall(this.drawnBefore(step, 1), parts)) return undefined
    return { view: this.looks[step]?.view ?? HOME, things: nodes.map((node) => this.stage.scene.nodes[node]!.id) }
  }

  private insets: { readonly step: number; readonly drawn: Map<StepInset, DrawnBefore> } | undefined
  /** Of insets of steps before: their memory is taken again. */
  private readonly spares: GBuffer[] = []

  /** What was there before a step as an inset of it sees it; drawn once for all its parts. */
  private drawnInset(step: number, inset: StepInset): DrawnBefore {
    if (this.insets?.step !== step) {
      for (const { buffer } of this.insets?.drawn.values() ?? []) this.spares.push(buffer)
      this.insets = { step, drawn: new Map() }
    }
    const { drawn } = this.insets
    let known = drawn.get(inset)
    if (!known) drawn.set(inset, (known = this.drawInset(step, inset)))
    return known
  }

  /** How many times as large as the picture an inset shows things. */
  enlargementOf(step: number, inset: StepInset): number {
    return this.insetSight(step, inset).camera.scale / this.drawnBefore(step, 1).camera.scale
  }

  private insetSight(step: number, { view, things }: StepInset): { box: Box; size: PictureSize; camera: Camera } {
    const { scene } = this.stage
    const shown = this.laid.steps[step]!.filter((node) => things.includes(scene.nodes[node]!.id)).flatMap((node) => this.partsOf(node))
    const box = shown.map(this.hullOf).reduce(unite)
    const { camera, buffer } = this.drawnBefore(step, 1)
    const orientation = TURNS[this.laid.orientations[step] ?? NO_TURN]!
    return { box, ...insetCamera(box, view, orientation, { camera, size: buffer.size, finer: 1 }) }
  }

  private drawInset(step: number, inset: StepInset): DrawnBefore {
    const { scene } = this.stage
    const { box, ...own } = this.insetSight(step, inset)
    const seeing = this.seenBy(own.camera)
    const buffer = new GBuffer(own.size, undefined, this.spares.pop())
    const sight = widened(box, IN_SIGHT)
    for (let before = 0; before < step; before++) {
      for (const each of this.laid.steps[before]!)
        for (const there of this.partsOf(each))
          if (boxesMeet(this.hullOf(there), sight)) drawPart(buffer, seeing, scene.parts[there]!, there)
    }
    return { ...seeing, buffer }
  }

  private readonly hulls: Box[] = []

  private hullOf = (part: number): Box => (this.hulls[part] ??= partHull(this.stage.scene.parts[part]!))

  private isSmall({ camera, buffer: { size } }: Growing, parts: readonly number[]): boolean {
    const { scene } = this.stage
    const { left, right, top, bottom } = seenOutline(camera, parts.map(this.hullOf).reduce(unite))
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

const reaches = ({ dots, across }: PictureDifference, enough: PictureDifference): boolean => dots >= enough.dots && across >= enough.across

/** Of a picture on a piece so many dots must show to tell how the piece is turned. */
const LEAST_PATCH = 60

/** A ring lies down, so its line is shorter than a circle's; how broad it is, px. */
const RING_SHARE = 0.85
const RING_LINE = 4.4
