import { turnAbout, type JointReach } from '../model'
import { add, apply, dot, length, middle, normalise, scale, subtract, type Box, type FlatPoint, type Matrix, type Vec } from '../space'
import type { GBuffer } from './g-buffer'
import { extentAlong } from './lifts'
import type { Loop } from './display-list'
import { fitCamera, project, seenSides, type Camera, type PictureSize, type ViewNumber } from './view'

/** What is drawn over a picture to say where and how; places in px of the picture. */
export type Mark =
  | { readonly kind: 'ring'; readonly at: FlatPoint; readonly radius: number }
  | { readonly kind: 'path'; readonly points: readonly FlatPoint[]; readonly heads: 'end' | 'both' }
  | { readonly kind: 'letter'; readonly at: FlatPoint; readonly letter: string }
  | { readonly kind: 'scale'; readonly ends: readonly [FlatPoint, FlatPoint]; readonly before: number; readonly now: number }
  | { readonly kind: 'locator'; readonly panel: FlatPanel; readonly whole: readonly Loop[]; readonly region: readonly Loop[] }

/** A rectangle of a picture, px. */
interface FlatPanel {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/** How a camera's dots become px of the picture. */
export interface Viewport {
  readonly camera: Camera
  readonly finer: number
}

/** Length of an arrow, px, and its gap to the thing, u. */
const ARROW = 90
const ARROW_GAP = 3
/** More rings than this would hide the part; then only the outermost are drawn. */
const MOST_RINGS = 6

export function seen({ camera, finer }: Viewport, place: Vec): FlatPoint {
  const [x, y] = project(camera, place)
  return [x / finer, y / finer]
}

/** Px of the picture for one u. */
const scaleOf = ({ camera, finer }: Viewport): number => camera.scale / finer

/**
 * Of some places those where a picture shows one of the parts [from, to): a ring anywhere else would stand on what is in front.
 * @param buffer what was drawn with the camera
 */
export function placesThatShow(
  { camera }: Viewport,
  { part, size }: Pick<GBuffer, 'part' | 'size'>,
  places: readonly Vec[],
  [from, to]: readonly [number, number],
): readonly Vec[] {
  return places.filter((place) => {
    const [x, y] = project(camera, place)
    const [column, row] = [Math.floor(x), Math.floor(y)]
    if (column < 0 || row < 0 || column >= size.width || row >= size.height) return false
    const shown = part[row * size.width + column]!
    return shown >= from && shown < to
  })
}

/** Small open rings where new parts take hold; the extreme places left, right, top and bottom stand for a crowd. */
export function ringsAt(sight: Viewport, holds: readonly Vec[]): Mark[] {
  const radius = Math.min(6, Math.max(2.4, scaleOf(sight) * 1.6))
  return outermost(holds.map((place) => seen(sight, place))).map((at) => ({ kind: 'ring', at, radius }))
}

function outermost(places: readonly FlatPoint[]): readonly FlatPoint[] {
  if (places.length <= MOST_RINGS) return places
  const keys: ((place: FlatPoint) => number)[] = [([x]) => x, ([x]) => -x, ([, y]) => y, ([, y]) => -y]
  return [...new Set(keys.map((key) => places.reduce((a, b) => (key(b) < key(a) ? b : a))))]
}

/** The arrow of a way in ends where the box begins, on the side it comes from. */
export function wayIn(sight: Viewport, box: Box, travel: Vec): Mark {
  const end = add(middle(box), scale(travel, -extentAlong(box, travel) / 2 - ARROW_GAP))
  const tail = add(end, scale(travel, -ARROW / scaleOf(sight)))
  return { kind: 'path', points: [seen(sight, tail), seen(sight, end)], heads: 'end' }
}

/** The arrow from what is held beside its place to that place. */
export function wayHome(sight: Viewport, box: Box, lift: Vec): Mark {
  const travel = normalise(scale(lift, -1))
  const end = add(middle(box), scale(travel, extentAlong(box, travel) / 2))
  const from = add(add(end, lift), scale(travel, ARROW_GAP))
  return { kind: 'path', points: [seen(sight, from), seen(sight, add(end, scale(travel, -ARROW_GAP / 2)))], heads: 'end' }
}

/** An arc is drawn at this distance from its joint at least, px, and at most in u. */
const ARC = { least: 44, most: 70 }
/** An arc that goes farther either way would hide the rest. */
const MOST_ARC = 60
const ARC_STEP = 6

/** How far a joint lets a thing move from where it is: an arc for each turn, a line for a slide. */
export function reachMarks(sight: Viewport, reach: JointReach, box: Box, lift: Vec): Mark[] {
  const marks: Mark[] = []
  const at = add(reach.at, lift)
  const arm = subtract(add(middle(box), lift), at)
  for (const { axis, from, to } of reach.turns) {
    const across = subtract(arm, scale(axis, dot(arm, axis)))
    if (length(across) < 1) continue
    // Beyond the thing, where the arc hides nothing of it.
    const beyond = length(across) + extentAlong(box, normalise(across)) / 2 + ARROW_GAP
    const radius = Math.max(ARC.least / scaleOf(sight), Math.min(ARC.most, beyond))
    const points: FlatPoint[] = []
    const [low, high] = [Math.max(-MOST_ARC, from), Math.min(MOST_ARC, to)]
    const steps = Math.max(2, Math.ceil((high - low) / ARC_STEP))
    for (let i = 0; i <= steps; i++) {
      const turned = apply(turnAbout(axis, low + ((high - low) * i) / steps), scale(normalise(across), radius))
      points.push(seen(sight, add(at, turned)))
    }
    marks.push({ kind: 'path', points, heads: 'both' })
  }
  const { slide } = reach
  if (slide && slide.to - slide.from > 1) {
    const ends = [slide.from, slide.to].map((far) => seen(sight, add(at, scale(slide.way, far))))
    marks.push({ kind: 'path', points: ends, heads: 'both' })
  }
  return marks
}

/** Of an arc what lies inside the picture, around its middle: how far it goes is said in words too. */
export function keptInside(mark: Mark, { width, height }: PictureSize, edge: number): Mark {
  if (mark.kind !== 'path') return mark
  const isIn = ([x, y]: FlatPoint): boolean => x > edge && y > edge && x < width - edge && y < height - edge
  const { points } = mark
  let from = points.length >> 1
  let to = from
  while (from > 0 && isIn(points[from - 1]!)) from--
  while (to + 1 < points.length && isIn(points[to + 1]!)) to++
  return { ...mark, points: points.slice(from, to + 1) }
}

/** Of the larger of the two studs of a scale mark, and of the other at least, px. */
const SCALE_RADIUS = { least: 2, most: 13 }
/** From the edge of the picture to a scale mark, and its width between the middles of its studs, px. */
const SCALE_PLACE = { edge: 12, width: 62 }

/**
 * A stud as it was in the picture before and one as it is now, in proportion, in a corner at the foot of the picture.
 * @param scales px for one u
 * @param beside so much of the corner is taken, px
 */
export function scaleMark(
  scales: { readonly before: number; readonly now: number },
  { width, height }: PictureSize,
  side: 'left' | 'right',
  beside = 0,
): Mark {
  const most = Math.max(scales.before, scales.now)
  const radius = (scale: number): number => Math.max(SCALE_RADIUS.least, (SCALE_RADIUS.most * scale) / most)
  const [before, now] = [radius(scales.before), radius(scales.now)]
  const high = Math.max(before, now)
  const x = side === 'left' ? SCALE_PLACE.edge + beside + before : width - SCALE_PLACE.edge - beside - now - SCALE_PLACE.width
  const y = height - SCALE_PLACE.edge - high
  return {
    kind: 'scale',
    ends: [
      [x, y],
      [x + SCALE_PLACE.width, y],
    ],
    before,
    now,
  }
}

/** Of the panel of a locator, from the edge of the picture to it, and inside it around what it shows, px. */
const LOCATOR = { width: 64, height: 48, edge: 8, margin: 6 }
/** What a locator takes up of a corner, px. */
export const LOCATOR_ROOM = LOCATOR.edge + LOCATOR.width

/**
 * All that is there as a small box, and in it the region that a picture shows, in a corner at the foot of the picture.
 * @param view as the picture is seen
 */
export function locatorMark(
  { whole, region }: { readonly whole: Box; readonly region: Box },
  { view, orientation }: { readonly view: ViewNumber; readonly orientation: Matrix },
  { width, height }: PictureSize,
  side: 'left' | 'right',
): Mark {
  const panel = {
    left: side === 'left' ? LOCATOR.edge : width - LOCATOR_ROOM,
    top: height - LOCATOR.edge - LOCATOR.height,
    width: LOCATOR.width,
    height: LOCATOR.height,
  }
  const camera = fitCamera(whole, view, LOCATOR, { margin: LOCATOR.margin, mostScale: Infinity, orientation })
  const inPicture = (box: Box): Loop[] =>
    seenSides(camera, box).map((side) => side.map(([x, y]): FlatPoint => [x + panel.left, y + panel.top]))
  return { kind: 'locator', panel, whole: inPicture(whole), region: inPicture(region) }
}
