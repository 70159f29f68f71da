import type { PlacedPart } from '../model'
import type { Scene } from '../scene'
import type { Pose, Vec } from '../space'
import { seePatch } from './decal-paint'
import type { PatchesByPart } from './drawn-section'
import { surfaceOfFace, toneOfFace, withTone } from './face-bits'
import { GBuffer } from './g-buffer'
import { placesThatShow } from './marks'
import { TONES, type MeshProjector } from './projected-mesh'
import { project, type Camera } from './view'

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

/** How things are seen in one picture. */
export interface Seeing {
  readonly camera: Camera
  readonly projector: MeshProjector
  readonly patches: PatchesByPart
}

/** A picture on a piece is told from the piece as if it were a tone of its own. */
const PATCH_TONE = TONES.length

// eslint-disable-next-line max-params -- runs for every part of every picture
export function drawPart(
  buffer: GBuffer,
  { camera, projector, patches }: Seeing,
  { shape, pose }: Pick<PlacedPart, 'shape' | 'pose'>,
  part: number,
  left = 0,
  top = 0,
): void {
  const [x, y, depth] = project(camera, pose.at)
  const projected = projector.of(shape, pose.matrix)
  if (!projector.mayBeIn(projected, x - left, y - top, buffer.size)) return
  buffer.draw(projected, part, x - left, y - top, depth)
  patches.get(part)?.forEach((patch, number) => {
    const seen = seePatch(patch, number, pose, camera)?.projected.map((facet) => ({ ...facet, face: withTone(facet.face, PATCH_TONE) }))
    if (seen) buffer.draw(seen, part, x - left, y - top, depth)
  })
}

interface PlacePainting extends Seeing {
  readonly colours: Uint16Array
  /** Of each part, 1 where the step brings it. */
  readonly isNew: Uint8Array
}

/** The surroundings of one part in one picture, drawn with it here and with it elsewhere. */
export class PlacePicture {
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
    const { part, face } = this.buffer
    const { colours, isNew } = this.painting
    const { part: partHere, face: faceHere } = this.with
    const extent = new DotExtent(this.buffer.size.width)
    for (let dot = 0; dot < part.length; dot++) {
      const [a, b] = [partHere[dot]!, part[dot]!]
      if (a === b && faceHere[dot] === face[dot]) continue
      const isSameTone = toneOfFace(faceHere[dot]!) === toneOfFace(face[dot]!)
      if (isSameTone && (a === b || (a >= 0 && b >= 0 && colours[a] === colours[b] && isNew[a] === isNew[b]))) continue
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

  /** How many dots show a picture on the part where it belongs. */
  patchDots(): number {
    const { part, face } = this.with
    let dots = 0
    for (let dot = 0; dot < part.length; dot++) if (part[dot] === this.part && toneOfFace(face[dot]!) === PATCH_TONE) dots++
    return dots
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

type Fields = Pick<GBuffer, 'depth' | 'part' | 'face'>

const copied = ({ depth, part, face }: GBuffer): Fields => ({
  depth: depth.slice(),
  part: part.slice(),
  face: face.slice(),
})

/** Surroundings of a part that lines may reach into, dots. */
const AROUND = 4
const FIELDS = ['depth', 'part', 'face'] as const
const THIN = 0xfffffffe
const HEAVY = 0xffffffff

/** Dots as what a reader sees in them; heavy lines, around what is new, are three dots broad. */
function inked({ part, face, size: { width, height } }: GBuffer, { colours, isNew }: PlacePainting): Uint32Array {
  const ink = new Uint32Array(part.length)
  const heavy: number[] = []
  const freshAt = (dot: number): number => (part[dot]! < 0 ? 0 : isNew[part[dot]!]!)
  for (let dot = 0, x = 0; dot < part.length; dot++, x = x === width - 1 ? 0 : x + 1) {
    const shown = part[dot]!
    const fresh = freshAt(dot)
    if (shown >= 0) ink[dot] = 1 + ((colours[shown]! << 10) | (toneOfFace(face[dot]!) << 1) | fresh)
    for (let next = x < width - 1 ? dot + 1 : dot + width; next <= dot + width && next < part.length; next += width - 1) {
      if (part[next] !== shown && freshAt(next) !== fresh) heavy.push(dot)
      else if (part[next] !== shown || surfaceOfFace(face[next]!) !== surfaceOfFace(face[dot]!)) ink[dot] = THIN
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
