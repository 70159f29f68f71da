import type { Catalogue } from '../catalogue'
import { lettersOf, pieceKey, trayOf } from '../count'
import { memoLast } from '../memo'
import { middle, NO_TURN, PLATE_HEIGHT, TURNS, unite, type Box, type FlatPoint, type Vec } from '../space'
import type { DrawnSection } from './drawn-section'
import type { InkOptions } from './ink'
import type { RgbImage } from './rgb-image'
import type { GBuffer, Window } from './g-buffer'
import { stepFramesOf } from './step-frames'
import type { ViewState } from './view-state'
import { visibleMiddles } from './visible-middles'
import type { StepInset } from './look'
import { ghostsOf, hullOf, liftsOf, partsOfNode, type Ghost } from './lifts'
import { frameFit, type FrameFit } from './frames'
import { KeptViews, type FramedView } from './kept-views'
import {
  keptInside,
  locatorMark,
  LOCATOR_ROOM,
  placesThatShow,
  reachMarks,
  ringsAt,
  scaleMark,
  seen,
  wayHome,
  wayIn,
  type Mark,
  type Viewport,
} from './marks'
import { lookOf, type PartLook } from './paint'
import { pickAt, type Picked } from './pick'
import { ghostLayers, insetLayers, needsInset, shifted, windowOf, type Composition, type InsetOptions, type Shown } from './picture-layer'
import { printMarks, printOverlay } from './print-layer'
import { drawComposition, type Drawing } from './vector'
import { paintParts } from './paint-parts'
import { turnedCamera, type TurnedView } from './turned-view'
import type { Camera, PictureSize, ViewNumber } from './view'

/** Dots each way for one dot of the picture: drawing larger and averaging smooths the lines. */
const SHARP = 2
const WASH = 0.32
/** What comes nearer to the edge of the picture than this, px, is not in it. */
const EDGE = 4
/** A change of scale by less than this share is not told. */
const LEAST_CHANGE = 0.1
/** Share of paper in all but the one thing that a picture is about. */
const PALE = 0.68

/** Height of a plate, px, below which lines are thin. */
const LOW_PLATE = 5.5

/** A step as it is framed, and what of it does not stand in its place. */
interface Sighted extends FramedView {
  readonly lifts: ReadonlyMap<number, Vec>
  readonly ghosts: readonly Ghost[]
}

export interface RailPainterOptions {
  /** What is new is enlarged where a stud is less wide than this, px. */
  readonly leastStud?: number | undefined
  /** One dot for each of the picture: rough edges, in less than half the time. */
  readonly isCoarse?: boolean
}

type InsetPart = Pick<InsetOptions, 'parts' | 'view' | 'from'>

/** A step as it was drawn into a view. */
interface Staged {
  readonly state: ViewState
  readonly lifts: ReadonlyMap<number, Vec>
  readonly ghosts: readonly Ghost[]
}

/** How each part looks, once for each colour. */
const looksOf = memoLast(({ parts }: DrawnSection, { colours }: Catalogue): readonly PartLook[] => {
  const byColour = new Map<string, PartLook>()
  return parts.map(({ colour }) => {
    let look = byColour.get(colour)
    if (!look) byColour.set(colour, (look = lookOf(colours.get(colour)!)))
    return look
  })
})

/** Paints the steps of one section. Each step adds only its own parts. */
export class RailPainter {
  private readonly views: KeptViews
  private readonly finer: number
  private readonly leastStud: number | undefined
  private readonly looks: readonly PartLook[]
  private readonly frames: ReturnType<typeof stepFramesOf>
  private readonly colours: Catalogue['colours']

  constructor(
    private readonly section: DrawnSection,
    private readonly catalogue: Catalogue,
    private readonly size: PictureSize,
    { leastStud, isCoarse = false }: RailPainterOptions = {},
  ) {
    this.finer = isCoarse ? 1 : SHARP
    this.leastStud = leastStud
    this.views = new KeptViews(section, size, this.finer)
    this.frames = stepFramesOf(section)
    this.colours = catalogue.colours
    this.looks = looksOf(section, catalogue)
  }

  /**
   * The picture of a step (index from 0): what was there washed, what is new in full colour with a heavy outline and rings.
   * It is good until the next is painted, as all pictures of a painter are.
   */
  paint(step: number, view: ViewNumber, insets: readonly StepInset[] = []): RgbImage {
    return this.staged(step, view, (staged) => {
      const composition = this.composeOn(staged, step, view, insets)
      return print(composition, staged.state.ink(composition.look))
    })
  }

  /** The same picture in areas and lines; nothing where that would be too many. */
  draw(step: number, view: ViewNumber, insets: readonly StepInset[] = []): Drawing | undefined {
    return this.staged(step, view, (staged) => drawComposition(this.composeOn(staged, step, view, insets), this.section))
  }

  /** In areas and lines, or in dots where those would be too many: composed once for both. */
  render(step: number, view: ViewNumber, insets: readonly StepInset[] = [], mostFacets?: number): Drawing | RgbImage {
    return this.staged(step, view, (staged) => {
      const composition = this.composeOn(staged, step, view, insets)
      return drawComposition(composition, this.section, mostFacets) ?? print(composition, staged.state.ink(composition.look))
    })
  }

  /** Whether a picture is quickly painted, since those before it are drawn. */
  isNear(step: number, view: ViewNumber): boolean {
    const sighted = this.sighted(step, view)
    return this.views.isNear(sighted, step + (sighted.lifts.size > 0 ? 0 : 1))
  }

  /**
   * Finished sections stand beside their place; where they or the ghosts of parts would not be in the picture, it is seen from so far
   * off that all such steps of the frame with things on the same sides are.
   */
  private sighted(step: number, view: ViewNumber): Sighted {
    const orientation = this.section.orientations[step] ?? NO_TURN
    const frame = this.frames.frameOf(step)
    const usual = this.views.cameraOf(frame.box, view, orientation)
    const scalePx = usual.scale / this.finer
    const [lifts, ghosts] = [liftsOf(this.section, step, scalePx), ghostsOf(this.section, step, scalePx)]
    const isIn = this.frames.besides(step, lifts, ghosts).every((box) => this.isInside(usual, box))
    return { view, orientation, frame: isIn ? frame : { ...frame, box: this.frames.farBox(step, scalePx) }, lifts, ghosts }
  }

  /** Draws a step and does something with it. */
  private staged<Made>(step: number, view: ViewNumber, make: (staged: Staged) => Made): Made {
    const sighted = this.sighted(step, view)
    const { lifts, ghosts } = sighted
    const state = this.views.at(sighted, step + (lifts.size > 0 ? 0 : 1))
    if (lifts.size === 0) return make({ state, lifts, ghosts })
    state.drawLifted(this.section, step, lifts)
    try {
      return make({ state, lifts, ghosts })
    } finally {
      state.takeBack()
    }
  }

  /** How the frame of a step fits a picture. */
  fitOf = (step: number): FrameFit => frameFit(this.frames.frameOf(step))

  private isInside(camera: Camera, box: Box): boolean {
    const { left, right, top, bottom } = windowOf({ camera, finer: this.finer }, box)
    return left > EDGE && top > EDGE && right < this.size.width - EDGE && bottom < this.size.height - EDGE
  }

  private composeOn({ state, lifts, ghosts }: Staged, step: number, view: ViewNumber, wanted: readonly StepInset[]): Composition {
    const { section } = this
    const { target } = state
    const window = state.windows[step]!
    const [from, to] = section.ranges[step]!
    const sight: Viewport = { camera: target.camera, finer: this.finer }
    const look = { looks: this.looks, newFrom: from, newTo: to, wash: WASH, hasFineLines: this.hasFineLines(target.camera) }
    const overlays = ghostLayers(section, ghosts, this.looks, { ...sight, size: this.size })
    const asked = wanted.flatMap((inset) => this.insetOf(step, inset, sight) ?? [])
    const usual = wanted.length === 0 && lifts.size === 0 ? this.enlarged(step, view, window, sight) : undefined
    const orientation = TURNS[section.orientations[step] ?? NO_TURN]!
    const shared = { section, look, step, buffer: target.buffer, ...sight, size: this.size, leastStud: this.leastStud, orientation }
    const insets = insetLayers((usual ? [usual] : asked).map((inset) => ({ ...inset, ...shared })))
    overlays.push(...insets)
    const boxOf = (node: number): Box => hullOf(section, partsOfNode(section, step, node))
    const marks = [
      ...(from > 0 ? ringsAt(sight, this.holdsThatShow(step, sight, target.buffer)) : []),
      ...[...lifts].map(([node, lift]) => wayHome(sight, boxOf(node), lift)),
      ...ghosts.map(({ parts, travel }) => wayIn(sight, hullOf(section, parts), travel)),
      ...this.reaches(step, sight, lifts),
      ...this.letters(step, target.buffer, window),
      ...this.frameMarks(step, view, target.camera, insets.some(({ place }) => place.isLow && !place.isRight) ? 'right' : 'left'),
    ]
    return {
      target,
      size: this.size,
      finer: this.finer,
      // Only a picture in areas and lines asks for them.
      get shown() {
        return Array.from({ length: to }, (_, part): Shown => {
          const lift = part < from ? undefined : lifts.get(section.partNode[part]!)
          return lift ? { part, lift } : { part }
        })
      },
      look,
      marks,
      overlays,
    }
  }

  /** What an inset shows that the picture does not. */
  private insetOf(step: number, { view, things }: StepInset, sight: Viewport): InsetPart | undefined {
    const { section } = this
    const [first, last] = section.nodeRanges[step]!
    const wanted = new Set(things)
    const parts: number[] = []
    for (let node = first; node < last; node++) if (wanted.has(section.nodeIds[node]!)) parts.push(...partsOfNode(section, step, node))
    return parts.length === 0 ? undefined : { parts, view, from: seen(sight, middle(hullOf(section, parts))) }
  }

  /** What is new, where it is so small that it is shown enlarged. */
  private enlarged(step: number, view: ViewNumber, window: Window, sight: Viewport): InsetPart | undefined {
    const { section } = this
    if (!needsInset(section, step, window, { ...sight, size: this.size, leastStud: this.leastStud })) return undefined
    const [from, to] = section.ranges[step]!
    const place: FlatPoint = [(window.left + window.right) / (2 * this.finer), (window.top + window.bottom) / (2 * this.finer)]
    return { parts: Array.from({ length: to - from }, (_, i) => from + i), view, from: place }
  }

  /** How far the joints of what comes in let it move. */
  private reaches(step: number, sight: Viewport, lifts: ReadonlyMap<number, Vec>): Mark[] {
    const { section } = this
    const [first, last] = section.nodeRanges[step]!
    return [...section.reaches].flatMap(([node, reach]) => {
      if (node < first || node >= last) return []
      const marks = reachMarks(sight, reach, hullOf(section, partsOfNode(section, step, node)), lifts.get(node) ?? [0, 0, 0])
      return marks.map((mark) => keptInside(mark, this.size, EDGE))
    })
  }

  /** Where rings may stand; what is held beside its place is not where it takes hold, so its rings stand there anyway. */
  private holdsThatShow(step: number, sight: Viewport, buffer: GBuffer): readonly Vec[] {
    const { section } = this
    const [first, last] = section.nodeRanges[step]!
    const holds = section.holdsOfStep(step)
    for (let node = first; node < last; node++) if (section.nodeJoins[node]) return holds
    return placesThatShow(sight, buffer, holds, section.ranges[step]!)
  }

  /** Where the frame shows a region: which; where it has changed: how large a stud was, and how large it is now. */
  private frameMarks(step: number, view: ViewNumber, { scale: now }: Camera, side: 'left' | 'right'): Mark[] {
    const { from, box, whole } = this.frames.frameOf(step)
    const orientation = this.section.orientations[step] ?? NO_TURN
    const marks = whole ? [locatorMark({ whole, region: box }, { view, orientation: TURNS[orientation]! }, this.size, side)] : []
    if (step === 0 || step !== from) return marks
    const before = this.views.cameraOf(this.frames.frameOf(step - 1).box, view, orientation).scale
    if (Math.abs(before / now - 1) < LEAST_CHANGE) return marks
    return [...marks, scaleMark({ before: before / this.finer, now: now / this.finer }, this.size, side, whole ? LOCATOR_ROOM : 0)]
  }

  /** A letter on each new part whose colour is hard to tell from another of this step. */
  private letters(step: number, buffer: GBuffer, window: Window): Mark[] {
    const [from, to] = this.section.ranges[step]!
    const own = this.section.parts.slice(from, to).filter(({ path }) => !path.includes('/'))
    if (own.length < 2) return []
    const letters = lettersOf(trayOf(own.map(({ part }) => part)), this.colours)
    if (letters.size === 0) return []
    return [...visibleMiddles(buffer, window, from, to)].flatMap(([part, at]): Mark[] => {
      const placed = this.section.parts[part]!
      const letter = placed.path.includes('/') ? undefined : letters.get(pieceKey(placed.part))
      return letter ? [{ kind: 'letter', letter, at: [at[0] / this.finer, at[1] / this.finer] }] : []
    })
  }

  /**
   * One thing of a step alone in full colour, with rings where it takes hold and an arrow along its way in.
   * @param travel where it travels to, a unit vector
   */
  paintFocus(step: number, view: ViewNumber, id: string, travel: Vec): RgbImage {
    const { section } = this
    const state = this.views.at({ view, orientation: section.orientations[step] ?? NO_TURN, frame: this.frames.frameOf(step) }, step + 1)
    const { target } = state
    const [first, last] = section.nodeRanges[step]!
    const node = section.nodeIds.slice(first, last).indexOf(id) + first
    const mine = partsOfNode(section, step, node)
    const range = { newFrom: mine[0] ?? 0, newTo: mine.length > 0 ? mine[mine.length - 1]! + 1 : 0 }
    const look = { looks: this.looks, ...range, wash: PALE, hasFineLines: this.hasFineLines(target.camera) }
    const image = state.inkApart(look)
    if (mine.length === 0) return image
    const sight: Viewport = { camera: target.camera, finer: this.finer }
    printMarks(image, [...ringsAt(sight, section.holdsOfNode(node)), wayIn(sight, hullOf(section, mine), travel)])
    return image
  }

  /** A step, or the finished section, from anywhere, without marks: what was there washed, what is new in full colour. */
  paintTurned(step: number, view: TurnedView, isFinished: boolean): RgbImage {
    const { section, catalogue, size } = this
    const [from, to] = isFinished ? [section.parts.length, section.parts.length] : section.ranges[step]!
    const orientation = isFinished ? undefined : TURNS[section.orientations[step] ?? NO_TURN]
    const camera = turnedCamera((isFinished ? this.frames.whole : this.frames.frameOf(step)).box, view, size, orientation)
    const parts = section.parts.slice(0, to)
    return paintParts({ parts, catalogue, patches: section.patches }, camera, size, {
      finer: this.finer,
      newFrom: from,
      wash: isFinished ? 0 : WASH,
    })
  }

  /** The finished section without marks. */
  paintFinished(view: ViewNumber): RgbImage {
    const state = this.finished(view)
    return state.inkApart(this.finishedLook(state))
  }

  drawFinished(view: ViewNumber): Drawing | undefined {
    const state = this.finished(view)
    const shown = this.section.parts.map((_, part) => ({ part }))
    const layer = {
      target: state.target,
      size: this.size,
      finer: this.finer,
      shown,
      look: this.finishedLook(state),
      marks: [],
      overlays: [],
    }
    return drawComposition(layer, this.section)
  }

  /** What the picture of the finished section shows at a place. @param x px from the left, @param y px from the top */
  pick(view: ViewNumber, x: number, y: number): Picked | undefined {
    return pickAt(this.finished(view).target, this.section, x * this.finer, y * this.finer)
  }

  /** What a step's picture shows at a place, px; insets and what travels are looked through. */
  pickInStep(step: number, view: ViewNumber, [x, y]: FlatPoint): Picked | undefined {
    return this.staged(step, view, ({ state }) => pickAt(state.target, this.section, x * this.finer, y * this.finer))
  }

  /** Where parts and copies that are there by a step lie in its picture, px: by id within the section, or by the path of one part. */
  windowsInStep(step: number, view: ViewNumber, ids: ReadonlySet<string>): Window[] {
    const { section } = this
    // Nothing need be drawn for that.
    const { frame, orientation, lifts } = this.sighted(step, view)
    const camera = this.views.cameraOf(frame.box, view, orientation)
    const boxes = new Map<string, Box>()
    for (let part = 0; part < section.ranges[step]![1]; part++) {
      const { path } = section.parts[part]!
      const node = section.partNode[part]!
      const id = ids.has(path) ? path : section.nodeIds[node]!
      if (!ids.has(id)) continue
      const box = shifted(section.space.hullOf(section.parts[part]!), lifts.get(node) ?? [0, 0, 0])
      const known = boxes.get(id)
      boxes.set(id, known ? unite(known, box) : box)
    }
    return [...boxes.values()].map((box) => windowOf({ camera, finer: this.finer }, box))
  }

  private finished = (view: ViewNumber): ViewState => this.views.finished(view, this.frames.whole)

  /** Where there is one dot for each of the picture a line cannot be thinner than one, and need not grow. */
  private hasFineLines = ({ scale }: Camera): boolean => this.finer === 1 || (scale / this.finer) * PLATE_HEIGHT < LOW_PLATE

  private finishedLook = ({ target }: ViewState): InkOptions => ({
    looks: this.looks,
    newFrom: 0,
    newTo: 0,
    wash: 0,
    hasFineLines: this.hasFineLines(target.camera),
  })

  /**
   * Goes on from what a painter of the same section has drawn, as far as the steps are the same; that painter must not be used any
   * more. Where a part has moved, or is drawn another way, only its memory is taken over.
   */
  takeOver(before: RailPainter): void {
    const [now, old] = [this.section, before.section]
    const isSame = now.space === old.space && before.catalogue === this.catalogue && now.patches.size + old.patches.size === 0
    this.views.takeOver(before.views, isSame)
  }
}

function print(composition: Composition, image: RgbImage): RgbImage {
  for (const overlay of composition.overlays) if (!overlay.isFramed) printOverlay(image, overlay)
  printMarks(image, composition.marks)
  for (const overlay of composition.overlays) if (overlay.isFramed) printOverlay(image, overlay)
  return image
}
