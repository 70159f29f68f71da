import type { PlacedPart } from '../model'
import { partHull, type Scene } from '../scene'
import { boxesMeet, NO_TURN, TURNS, unite, type Box, type Pose, type Turn, type Vec } from '../space'
import { cumulated, frameAt, framesOf, LEAST_WIDTH, MARGIN_SHARE, type PictureFrame } from './frames'
import { GBuffer } from './g-buffer'
import { insetCamera, isSmallIn, IN_SIGHT, widened } from './inset-frame'
import type { LaidSteps, StepLook } from './look'
import { placesThatShow, ringsAt } from './marks'
import { pictureSceneOf, type PictureScene } from './picture-scene'
import { MeshProjector } from './projected-mesh'
import { fitCamera, project, seenOutline, type Camera, type PictureSize } from './view'

/** Dots of the picture that a step is read in: it has the shape that suits its frame. */
export const READ_DOTS = 480_000

/** px */
function readSize(shape: number, share: number): PictureSize {
  const width = Math.round(Math.sqrt(READ_DOTS / shape) * share)
  return { width, height: Math.round(width * shape) }
}
const LEAST_MARGIN = 12
/** A glance is taken at a picture of this share of its size; what differs there so many times as much as needed differs. */
const GLANCE = 0.5
const CLEAR = 1.5

/** By how much a picture differs from another: dots, and the longer side of all that differs, dots. */
export interface PictureDifference {
  readonly dots: number
  readonly across: number
}

/** A part somewhere else, and where it would take hold there of what was there before, u. */
export interface OtherPlace {
  readonly pose: Pose
  readonly holds: readonly Vec[]
}

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
    const brought = steps.map((step) => (step.length === 0 ? undefined : step.map((node) => scene.nodeBoxes[node]!).reduce(unite)))
    this.frames = framesOf(cumulated(brought, this.stage.box))
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
      const camera = fitCamera(frame.box, view, size, {
        margin: Math.max(LEAST_MARGIN * share, MARGIN_SHARE * size.width),
        mostScale: size.width / LEAST_WIDTH,
        orientation: TURNS[orientation],
      })
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

interface Seeing {
  readonly camera: Camera
  readonly projector: MeshProjector
}

/** The parts of a step that its inset shows, and what was there before as it sees it. */
interface DrawnInset {
  readonly shown: readonly number[]
  readonly seeing?: Seeing
  readonly buffer?: GBuffer
}

// eslint-disable-next-line max-params -- runs for every part of every picture
function drawPart(
  buffer: GBuffer,
  { camera, projector }: Seeing,
  { shape, pose }: Pick<PlacedPart, 'shape' | 'pose'>,
  part: number,
  left = 0,
  top = 0,
): void {
  const [x, y, depth] = project(camera, pose.at)
  buffer.draw(projector.of(shape, pose.matrix), part, x - left, y - top, depth)
}

interface PlacePainting extends Seeing {
  readonly colours: Uint16Array
  /** Of each part, 1 where the step brings it. */
  readonly isNew: Uint8Array
}

/** The surroundings of one part in one picture, drawn with it here and with it elsewhere. */
class PlacePicture {
  private left = 0
  private top = 0
  private buffer!: GBuffer
  /** The surroundings without the part, and with it where it belongs. */
  private without!: Fields
  private with!: Fields
  private here: Uint32Array | undefined

  constructor(
    private readonly painting: PlacePainting,
    private readonly scene: Scene,
    private readonly part: number,
  ) {}

  /** @param before the picture of all that was there before the step; @param others what else the step brings */
  fill(before: GBuffer, others: readonly number[], places: readonly OtherPlace[]): void {
    const { shape, pose } = this.scene.parts[this.part]!
    const { camera, projector } = this.painting
    const reach = [pose, ...places.map((place) => place.pose)]
      .map(({ matrix, at }) => projector.reachOf(projector.of(shape, matrix), project(camera, at)))
      .reduce((a, b) => [Math.min(a[0]!, b[0]!), Math.min(a[1]!, b[1]!), Math.max(a[2]!, b[2]!), Math.max(a[3]!, b[3]!)])
    const { width, height } = before.size
    this.left = Math.max(0, Math.floor(reach[0]!) - AROUND)
    this.top = Math.max(0, Math.floor(reach[1]!) - AROUND)
    const size = {
      width: Math.max(1, Math.min(width, Math.ceil(reach[2]!) + AROUND) - this.left),
      height: Math.max(1, Math.min(height, Math.ceil(reach[3]!) + AROUND) - this.top),
    }
    this.buffer = new GBuffer(size)
    for (let row = 0; row < size.height; row++) {
      const from = (this.top + row) * width + this.left
      for (const field of FIELDS) this.buffer[field].set(before[field].subarray(from, from + size.width), row * size.width)
    }
    for (const other of others) drawPart(this.buffer, this.painting, this.scene.parts[other]!, other, this.left, this.top)
    this.without = copied(this.buffer)
    this.drawAt(pose)
    this.with = copied(this.buffer)
  }

  /** The same without lines; it stops where the difference is large enough. */
  areaDifference(pose: Pose, enough: PictureDifference): PictureDifference {
    this.drawAt(pose)
    const { part, tone } = this.buffer
    const { colours, isNew } = this.painting
    const { part: partHere, tone: toneHere } = this.with
    const extent = new DotExtent(this.buffer.size.width)
    for (let dot = 0; dot < part.length; dot++) {
      const [a, b] = [partHere[dot]!, part[dot]!]
      if (a === b && toneHere[dot] === tone[dot]) continue
      if (a >= 0 && b >= 0 && toneHere[dot] === tone[dot] && colours[a] === colours[b] && isNew[a] === isNew[b]) continue
      extent.add(dot)
      if (extent.dots >= enough.dots && extent.across >= enough.across) break
    }
    return extent
  }

  differenceAt(pose: Pose): PictureDifference {
    if (!this.here) {
      for (const field of FIELDS) this.buffer[field].set(this.with[field])
      this.here = inked(this.buffer, this.painting)
    }
    this.drawAt(pose)
    const there = inked(this.buffer, this.painting)
    const extent = new DotExtent(this.buffer.size.width)
    for (let dot = 0; dot < there.length; dot++) if (there[dot] !== this.here[dot]) extent.add(dot)
    return extent
  }

  /** Of places where the part takes hold those that it shows at, in a pose or where it belongs. */
  thatShow(pose: Pose | undefined, places: readonly Vec[]): readonly Vec[] {
    if (pose) this.drawAt(pose)
    const { camera } = this.painting
    const local = { camera: { ...camera, originX: camera.originX - this.left, originY: camera.originY - this.top }, finer: 1 }
    const { part } = pose ? this.buffer : this.with
    return placesThatShow(local, { part, size: this.buffer.size }, places, [this.part, this.part + 1])
  }

  private drawAt(pose: Pose): void {
    for (const field of FIELDS) this.buffer[field].set(this.without[field])
    drawPart(this.buffer, this.painting, { shape: this.scene.parts[this.part]!.shape, pose }, this.part, this.left, this.top)
  }
}

/** How many dots, and how far they lie apart. */
class DotExtent implements PictureDifference {
  dots = 0
  private left = Infinity
  private right = -Infinity
  private top = Infinity
  private bottom = -Infinity

  constructor(private readonly width: number) {}

  add(dot: number): void {
    this.dots++
    const x = dot % this.width
    const y = (dot - x) / this.width
    if (x < this.left) this.left = x
    if (x > this.right) this.right = x
    if (y < this.top) this.top = y
    if (y > this.bottom) this.bottom = y
  }

  get across(): number {
    return this.dots === 0 ? 0 : Math.max(this.right - this.left, this.bottom - this.top) + 1
  }
}

type Fields = Pick<GBuffer, 'depth' | 'part' | 'surface' | 'tone'>

const copied = ({ depth, part, surface, tone }: GBuffer): Fields => ({
  depth: depth.slice(),
  part: part.slice(),
  surface: surface.slice(),
  tone: tone.slice(),
})

/** Surroundings of a part that lines may reach into, dots. */
const AROUND = 4
const FIELDS = ['depth', 'part', 'surface', 'tone'] as const
const THIN = 0xfffffffe
const HEAVY = 0xffffffff

/** Dots as what a reader sees in them; heavy lines, around what is new, are three dots broad. */
function inked({ part, surface, tone, size: { width, height } }: GBuffer, { colours, isNew }: PlacePainting): Uint32Array {
  const ink = new Uint32Array(part.length)
  const heavy: number[] = []
  const freshAt = (dot: number): number => (part[dot]! < 0 ? 0 : isNew[part[dot]!]!)
  for (let dot = 0, x = 0; dot < part.length; dot++, x = x === width - 1 ? 0 : x + 1) {
    const shown = part[dot]!
    const fresh = freshAt(dot)
    if (shown >= 0) ink[dot] = 1 + ((colours[shown]! << 10) | (tone[dot]! << 1) | fresh)
    for (let next = x < width - 1 ? dot + 1 : dot + width; next <= dot + width && next < part.length; next += width - 1) {
      if (part[next] !== shown && freshAt(next) !== fresh) heavy.push(dot)
      else if (part[next] !== shown || surface[next] !== surface[dot]) ink[dot] = THIN
      if (width < 3) break
    }
  }
  for (const dot of heavy) {
    const [x, y] = [dot % width, Math.floor(dot / width)]
    for (let row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++)
      for (let column = Math.max(0, x - 1); column <= Math.min(width - 1, x + 1); column++) ink[row * width + column] = HEAVY
  }
  return ink
}
