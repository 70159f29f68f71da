import { add, boxesMeet, cornersOf, unite, widened, type Box, type FlatPoint, type Matrix, type Vec } from '../space'
import type { DrawnSection } from './drawn-section'
import { RenderTarget } from './render-target'
import { Inker, type InkOptions } from './ink'
import type { RgbImage } from './rgb-image'
import { NOTHING, type GBuffer, type Window } from './g-buffer'
import { cornerFor, placeIn, type PictureCorner } from './inset-corner'
import { insetCamera, isSmallIn, IN_SIGHT, type PictureSight } from './inset-frame'
import { hullOf, type Ghost } from './lifts'
import { placesThatShow, ringsAt, seen, type Mark, type Viewport } from './marks'
import { WHITE, type PartLook } from './paint'
import type { PictureSize, ViewNumber } from './view'

/** A part as it is drawn: in place, or lifted off it, u. */
export interface Shown {
  readonly part: number
  readonly lift?: Vec
}

/** One picture, or a piece of one that lies over it: what was drawn, how it is inked, and what marks stand on it. */
export interface PictureLayer {
  readonly target: RenderTarget
  /** px */
  readonly size: PictureSize
  readonly finer: number
  /** In the order of drawing. */
  readonly shown: readonly Shown[]
  readonly look: InkOptions
  readonly marks: readonly Mark[]
}

/** A layer over another, its corner in px. */
export interface Overlay extends PictureLayer {
  readonly left: number
  readonly top: number
  /** A frame makes it a picture of its own; without, only what is drawn covers what is under it. */
  readonly isFramed: boolean
  readonly opacity: number
  /** A line of ink from its place in the picture to its frame. */
  readonly leader?: readonly [FlatPoint, FlatPoint]
}

/** A step's picture before it is inked or written as lines. */
export interface Composition extends PictureLayer {
  readonly overlays: readonly Overlay[]
}

const GHOST = { opacity: 0.9, paper: 0.55, margin: 3 }
/** A ghost of which less than this is inside the picture is left out. */
const LEAST_INSIDE = 0.7

/** Ghosts of a step, none over another: of two that would meet the arrow of one tells enough. */
export function ghostLayers(
  section: DrawnSection,
  ghosts: readonly Ghost[],
  looks: readonly PartLook[],
  sight: Omit<PictureSight, 'leastStud'>,
): Overlay[] {
  const layers: Overlay[] = []
  for (const ghost of ghosts) {
    const layer = ghostLayer(section, ghost, looks, sight)
    if (layer && !layers.some((other) => doCover(layer, other))) layers.push(layer)
  }
  return layers
}

/** Whether two layers of one picture show something in one dot. */
function doCover(a: Overlay, b: Overlay): boolean {
  const { finer } = a
  const [fromX, fromY] = [Math.max(a.left, b.left) * finer, Math.max(a.top, b.top) * finer]
  const [toX, toY] = [Math.min(a.left + a.size.width, b.left + b.size.width), Math.min(a.top + a.size.height, b.top + b.size.height)]
  const shows = ({ target: { buffer }, left, top }: Overlay, x: number, y: number): boolean =>
    buffer.part[(y - top * finer) * buffer.size.width + x - left * finer] !== NOTHING
  for (let y = fromY; y < toY * finer; y++) for (let x = fromX; x < toX * finer; x++) if (shows(a, x, y) && shows(b, x, y)) return true
  return false
}

/** A thing where it is before it goes in, pale. @returns nothing where it would be cut off by the edge of the picture */
function ghostLayer(
  section: DrawnSection,
  ghost: Ghost,
  looks: readonly PartLook[],
  { size, ...sight }: Omit<PictureSight, 'leastStud'>,
): Overlay | undefined {
  const whole = windowOf(sight, ghost.parts.map((part) => shifted(section.space.hullOf(section.parts[part]!), ghost.lift)).reduce(unite))
  const left = Math.max(0, Math.floor(whole.left) - GHOST.margin)
  const top = Math.max(0, Math.floor(whole.top) - GHOST.margin)
  const right = Math.min(size.width, Math.ceil(whole.right) + GHOST.margin)
  const bottom = Math.min(size.height, Math.ceil(whole.bottom) + GHOST.margin)
  const inside = (Math.min(whole.right, right) - Math.max(whole.left, left)) * (Math.min(whole.bottom, bottom) - Math.max(whole.top, top))
  const all = (whole.right - whole.left) * (whole.bottom - whole.top)
  if (right <= left || bottom <= top || inside < all * LEAST_INSIDE) return undefined
  const { finer, camera } = sight
  const own = { width: right - left, height: bottom - top }
  const moved = { ...camera, originX: camera.originX - left * finer, originY: camera.originY - top * finer }
  const target = new RenderTarget(moved, { width: own.width * finer, height: own.height * finer })
  for (const part of ghost.parts) target.draw(section, part, ghost.lift)
  const look = { looks, newFrom: 0, newTo: 0, wash: GHOST.paper, hasFineLines: false }
  const shown = ghost.parts.map((part) => ({ part, lift: ghost.lift }))
  return { target, size: own, finer, shown, look, marks: [], left, top, isFramed: false, opacity: GHOST.opacity }
}

/** What a box takes up in the picture, px. */
export function windowOf(sight: Viewport, box: Box): Window {
  const places = cornersOf(box).map((corner) => seen(sight, corner))
  const [xs, ys] = [places.map(([x]) => x), places.map(([, y]) => y)]
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
}

export const shifted = ({ min, max }: Box, by: Vec): Box => ({ min: add(min, by), max: add(max, by) })

export interface InsetOptions extends PictureSight {
  readonly section: DrawnSection
  readonly look: InkOptions
  readonly step: number
  /** What it shows: parts of the step. */
  readonly parts: readonly number[]
  readonly view: ViewNumber
  readonly orientation: Matrix
  /** What is drawn in the picture. */
  readonly buffer: GBuffer
  /** Their place in the picture, px: the inset keeps away from it. */
  readonly from: FlatPoint
}

/**
 * Whether the new parts of a step are so small in its picture that an inset helps.
 * @param window where they were drawn, in dots of the buffer
 */
export function needsInset(section: DrawnSection, step: number, window: Window, sight: PictureSight): boolean {
  const [from, to] = section.ranges[step]!
  if (from === 0 || from === to || window.right < window.left) return false
  const { finer } = sight
  const seen = { width: (window.right - window.left) / finer, height: (window.bottom - window.top) / finer }
  return isSmallIn(sight, seen, section.parts.length)
}

/** An inset, and the corner that it stands in. */
interface InsetOverlay extends Overlay {
  readonly place: PictureCorner
}

/** Insets of one picture, each in a corner of its own. */
export function insetLayers(all: readonly InsetOptions[]): InsetOverlay[] {
  const layers: InsetOverlay[] = []
  for (const options of all)
    layers.push(
      insetLayer(
        options,
        layers.map(({ place }) => place),
      ),
    )
  return layers
}

/** Some parts enlarged, in a corner where that covers little, with a line from their place. */
function insetLayer(options: InsetOptions, taken: readonly PictureCorner[]): InsetOverlay {
  const { section, look, step, parts, view, orientation, from, finer } = options
  const [, to] = section.ranges[step]!
  const box = hullOf(section, parts)
  const { size, camera } = insetCamera(box, view, orientation, options)
  const target = new RenderTarget(camera, { width: size.width * finer, height: size.height * finer })
  const sight = widened(box, IN_SIGHT)
  const shown: Shown[] = []
  for (let part = 0; part < to; part++) {
    if (!boxesMeet(section.space.hullOf(section.parts[part]!), sight) || !target.reaches(section, part)) continue
    target.draw(section, part)
    shown.push({ part })
  }
  const place = cornerFor({ buffer: options.buffer, finer, newFrom: look.newFrom }, size, from, taken)
  const [left, top] = placeIn(place, size, options.size)
  const corner: FlatPoint = [left + (left > from[0] ? 0 : size.width), top + (top > from[1] ? 0 : size.height)]
  const own = { camera: target.camera, finer }
  const marks = ringsAt(own, placesThatShow(own, target.buffer, section.holdsOfStep(step), section.ranges[step]!))
  return {
    target,
    size,
    finer,
    shown,
    look: { ...look, hasFineLines: false },
    marks,
    left,
    top,
    isFramed: true,
    opacity: 1,
    leader: [from, corner],
    place,
  }
}

/** Inks a layer by itself. */
export function inkLayer({ target, finer, look }: PictureLayer): RgbImage {
  return new Inker(target.buffer, finer, WHITE, target.decals).ink([target.buffer.window], look)
}

/** How much of each dot of the picture is covered by what was drawn, 0 to 1. */
export function coverOf({ target, size, finer }: PictureLayer): Float32Array {
  const cover = new Float32Array(size.width * size.height)
  const { part } = target.buffer
  const wide = size.width * finer
  for (let dot = 0; dot < part.length; dot++) {
    if (part[dot] === NOTHING) continue
    const x = dot % wide
    cover[Math.floor((dot - x) / wide / finer) * size.width + Math.floor(x / finer)]! += 1 / (finer * finer)
  }
  return cover
}
