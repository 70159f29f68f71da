import type { Catalogue } from '../catalogue'
import { lettersOf, pieceKey, trayOf } from '../count'
import { middle, NO_TURN, PLATE_HEIGHT, TURNS, unite, type Box, type FlatPoint, type Turn, type Vec } from '../space'
import type { DrawnSection } from './drawn-section'
import { Easel } from './easel'
import { Inker, type InkOptions, type RgbImage } from './ink'
import { uniteWindows, type Layers, type Window } from './layers'
import type { StepInset } from './look'
import { ghostsOf, hullOf, liftsOf, partsOfNode, type Ghost } from './lifts'
import { keptInside, reachMarks, ringsAt, seen, wayHome, wayIn, type Mark, type Sight } from './marks'
import { lookOf, WHITE, type PartLook } from './paint'
import { pickAt, type Picked } from './pick'
import { ghostPlate, inkPlate, insetPlate, needsInset, shifted, windowOf, type Composition, type InsetOptions, type Shown } from './plate'
import { printMarks, printOverlay } from './print-plate'
import { drawComposition, type Drawing } from './vector'
import { fitCamera, VIEWS, type Camera, type PictureSize, type ViewNumber } from './view'

/** Dots each way for one dot of the picture: drawing larger and averaging smooths the lines. */
const FINER = 2
const MARGIN = 28
const MOST_SCALE = 7
const WASH = 0.32
const MOST_VIEWS = 2
/** What comes nearer to the edge of the picture than this, px, is not in it. */
const EDGE = 4
/** Share of paper in all but the one thing that a picture is about. */
const PALE = 0.68

/** Height of a plate, in dots of the layers, below which lines are thin. */
const LOW_PLATE = 11
const hasFineLines = (camera: Camera): boolean => camera.scale * PLATE_HEIGHT < LOW_PLATE

interface ViewState {
  readonly easel: Easel
  readonly inker: Inker
  /** Steps already drawn into the layers, and where each was drawn. */
  drawn: number
  windows: Window[]
  /** The step whose picture was inked last; −1 when none was, or the finished section. */
  inked: number
}

type InsetPart = Pick<InsetOptions, 'parts' | 'view' | 'from'>

/** A step as it was drawn; `state` where that belongs to the walk along the rail. */
interface Staged {
  readonly easel: Easel
  /** Where the new parts were drawn, in dots of the layers. */
  readonly window: Window
  readonly lifts: ReadonlyMap<number, Vec>
  readonly ghosts: readonly Ghost[]
  readonly state?: ViewState
}

/** Paints the steps of one section. Going forward each step adds only its own parts; going back begins anew. */
export class RailPainter {
  /** By view and how the work lies. */
  private readonly views = new Map<number, ViewState>()
  private readonly looks: PartLook[]
  private readonly colours: Catalogue['colours']

  constructor(
    private readonly section: DrawnSection,
    catalogue: Catalogue,
    private readonly size: PictureSize,
  ) {
    this.colours = catalogue.colours
    const byColour = new Map<string, PartLook>()
    this.looks = section.parts.map(({ colour }) => {
      let look = byColour.get(colour)
      if (!look) byColour.set(colour, (look = lookOf(catalogue.colours.get(colour)!)))
      return look
    })
  }

  /** The picture of a step (index from 0): what was there washed, what is new in full colour with a heavy outline and rings. */
  paint(step: number, view: ViewNumber, inset?: StepInset): RgbImage {
    const staged = this.stage(step, view)
    const { state } = staged
    if (!state) return print(this.composeOn(staged, step, view, inset))
    const isNext = state.inked >= 0 && state.inked === step - 1
    const changed = isNext ? uniteWindows(state.windows[step - 1]!, state.windows[step]!) : allOf(state.easel.layers)
    const composition = this.composeOn(staged, step, view, inset)
    const image = state.inker.ink(changed, composition.look)
    state.inked = step
    return print(composition, image)
  }

  /** The same picture in areas and lines; nothing where that would be too many. */
  draw(step: number, view: ViewNumber, inset?: StepInset): Drawing | undefined {
    return drawComposition(this.composeOn(this.stage(step, view), step, view, inset), this.section)
  }

  /**
   * Draws a step. Finished sections stand beside their place; where they or the ghosts of parts would not be in the picture, it is
   * seen from farther off.
   */
  private stage(step: number, view: ViewNumber): Staged {
    const { section } = this
    const lie = section.lies[step] ?? NO_TURN
    const usual = this.cameraOf(section.box, view, lie)
    const lifts = liftsOf(section, step, usual.scale / FINER)
    const ghosts = ghostsOf(section, step, usual.scale / FINER)
    const boxes = [
      ...[...lifts].map(([node, lift]) => shifted(hullOf(section, partsOfNode(section, step, node)), lift)),
      ...ghosts.map(({ parts, lift }) => shifted(hullOf(section, parts), lift)),
    ]
    const isIn = boxes.every((box) => this.isInside(usual, box))
    if (lifts.size === 0 && isIn) {
      const state = this.upTo(step, view, lie)
      return { easel: state.easel, window: state.windows[step]!, lifts, ghosts, state }
    }
    const easel = new Easel(isIn ? usual : this.cameraOf([section.box, ...boxes].reduce(unite), view, lie), this.full())
    const [from, to] = section.ranges[step]!
    for (let part = 0; part < from; part++) easel.draw(section, part)
    const window = easel.layers.startWindow()
    for (let part = from; part < to; part++) easel.draw(section, part, lifts.get(section.partNode[part]!))
    return { easel, window, lifts, ghosts }
  }

  private cameraOf(box: Box, view: ViewNumber, lie: Turn): Camera {
    return fitCamera(box, view, this.full(), MARGIN * FINER, MOST_SCALE * FINER, TURNS[lie])
  }

  private isInside(camera: Camera, box: Box): boolean {
    const { left, right, top, bottom } = windowOf({ camera, finer: FINER }, box)
    return left > EDGE && top > EDGE && right < this.size.width - EDGE && bottom < this.size.height - EDGE
  }

  private composeOn({ easel, window, lifts, ghosts }: Staged, step: number, view: ViewNumber, wanted?: StepInset): Composition {
    const { section } = this
    const [from, to] = section.ranges[step]!
    const sight: Sight = { camera: easel.camera, finer: FINER }
    const look = { looks: this.looks, newFrom: from, newTo: to, wash: WASH, hasFineLines: hasFineLines(easel.camera) }
    const overlays = ghosts.flatMap((ghost) => ghostPlate(section, ghost, this.looks, sight, this.size) ?? [])
    const inset = wanted ? this.insetOf(step, wanted, sight) : lifts.size === 0 ? this.enlarged(step, view, window) : undefined
    if (inset)
      overlays.push(
        insetPlate({ ...inset, section, look, step, finer: FINER, size: this.size, lie: TURNS[section.lies[step] ?? NO_TURN]! }),
      )
    const boxOf = (node: number): Box => hullOf(section, partsOfNode(section, step, node))
    const marks = [
      ...(from > 0 ? ringsAt(sight, section.holds[step]!) : []),
      ...[...lifts].map(([node, lift]) => wayHome(sight, boxOf(node), lift)),
      ...ghosts.map(({ parts, travel }) => wayIn(sight, hullOf(section, parts), travel)),
      ...this.reaches(step, sight, lifts),
      ...this.letters(step, easel.layers, window),
    ]
    const shown = Array.from({ length: to }, (_, part): Shown => {
      const lift = part < from ? undefined : lifts.get(section.partNode[part]!)
      return lift ? { part, lift } : { part }
    })
    return { easel, size: this.size, finer: FINER, shown, look, marks, overlays }
  }

  /** What an inset shows that the picture does not. */
  private insetOf(step: number, { view, things }: StepInset, sight: Sight): InsetPart | undefined {
    const { section } = this
    const [first, last] = section.nodeRanges[step]!
    const wanted = new Set(things)
    const parts: number[] = []
    for (let node = first; node < last; node++) if (wanted.has(section.nodeIds[node]!)) parts.push(...partsOfNode(section, step, node))
    return parts.length === 0 ? undefined : { parts, view, from: seen(sight, middle(hullOf(section, parts))) }
  }

  /** What is new, where it is so small that it is shown enlarged. */
  private enlarged(step: number, view: ViewNumber, window: Window): InsetPart | undefined {
    const { section } = this
    if (!needsInset(section, step, window, { size: this.size, finer: FINER })) return undefined
    const [from, to] = section.ranges[step]!
    const place: FlatPoint = [(window.left + window.right) / (2 * FINER), (window.top + window.bottom) / (2 * FINER)]
    return { parts: Array.from({ length: to - from }, (_, i) => from + i), view, from: place }
  }

  /** How far the joints of what comes in let it move. */
  private reaches(step: number, sight: Sight, lifts: ReadonlyMap<number, Vec>): Mark[] {
    const { section } = this
    const [first, last] = section.nodeRanges[step]!
    return [...section.reaches].flatMap(([node, reach]) => {
      if (node < first || node >= last) return []
      const marks = reachMarks(sight, reach, hullOf(section, partsOfNode(section, step, node)), lifts.get(node) ?? [0, 0, 0])
      return marks.map((mark) => keptInside(mark, this.size, EDGE))
    })
  }

  /** A letter on each new part whose colour is hard to tell from another of this step. */
  private letters(step: number, layers: Layers, window: Window): Mark[] {
    const [from, to] = this.section.ranges[step]!
    const own = this.section.parts.slice(from, to).filter(({ path }) => !path.includes('/'))
    if (own.length < 2) return []
    const letters = lettersOf(trayOf(own.map(({ part }) => part)), this.colours)
    if (letters.size === 0) return []
    return [...visibleMiddles(layers, window, from, to)].flatMap(([part, at]): Mark[] => {
      const placed = this.section.parts[part]!
      const letter = placed.path.includes('/') ? undefined : letters.get(pieceKey(placed.part))
      return letter ? [{ kind: 'letter', letter, at: [at[0] / FINER, at[1] / FINER] }] : []
    })
  }

  /**
   * One thing of a step alone in full colour, with rings where it takes hold and an arrow along its way in.
   * @param travel where it travels to, a unit vector
   */
  paintFocus(step: number, view: ViewNumber, id: string, travel: Vec): RgbImage {
    const { section } = this
    const state = this.upTo(step, view, section.lies[step] ?? NO_TURN)
    const { easel } = state
    const [first, last] = section.nodeRanges[step]!
    const node = section.nodeIds.slice(first, last).indexOf(id) + first
    const mine = partsOfNode(section, step, node)
    state.inked = -1
    const range = { newFrom: mine[0] ?? 0, newTo: mine.length > 0 ? mine[mine.length - 1]! + 1 : 0 }
    const look = { looks: this.looks, ...range, wash: PALE, hasFineLines: hasFineLines(easel.camera) }
    const image = state.inker.ink(allOf(easel.layers), look)
    if (mine.length === 0) return image
    const sight: Sight = { camera: easel.camera, finer: FINER }
    printMarks(image, [...ringsAt(sight, section.nodeHolds[node]!), wayIn(sight, hullOf(section, mine), travel)])
    return image
  }

  /** The finished section without marks. */
  paintFinished(view: ViewNumber): RgbImage {
    const state = this.finished(view)
    state.inked = -1
    return state.inker.ink(allOf(state.easel.layers), this.finishedLook(state))
  }

  drawFinished(view: ViewNumber): Drawing | undefined {
    const state = this.finished(view)
    const shown = this.section.parts.map((_, part) => ({ part }))
    const plate = { easel: state.easel, size: this.size, finer: FINER, shown, look: this.finishedLook(state), marks: [], overlays: [] }
    return drawComposition(plate, this.section)
  }

  /** What the picture of the finished section shows at a place. @param x px from the left, @param y px from the top */
  pick(view: ViewNumber, x: number, y: number): Picked | undefined {
    return pickAt(this.finished(view).easel, this.section, x * FINER, y * FINER)
  }

  private finished = (view: ViewNumber): ViewState => this.upTo(this.section.ranges.length - 1, view, NO_TURN)

  private finishedLook = ({ easel }: ViewState): InkOptions => ({
    looks: this.looks,
    newFrom: 0,
    newTo: 0,
    wash: 0,
    hasFineLines: hasFineLines(easel.camera),
  })

  private full = (): PictureSize => ({ width: this.size.width * FINER, height: this.size.height * FINER })

  private upTo(step: number, view: ViewNumber, lie: Turn): ViewState {
    const key = lie * VIEWS.length + view
    let state = this.views.get(key)
    if (!state || state.drawn > step + 1) {
      // Few views are kept, since layers are large; going back begins anew.
      if (!state && this.views.size >= MOST_VIEWS) this.views.delete(this.views.keys().next().value!)
      this.views.set(key, (state = this.freshView(view, lie)))
    }
    for (; state.drawn <= step; state.drawn++) {
      const [from, to] = this.section.ranges[state.drawn] ?? [0, 0]
      const window = state.easel.layers.startWindow()
      for (let part = from; part < to; part++) state.easel.draw(this.section, part)
      state.windows.push(window)
    }
    return state
  }

  private freshView(view: ViewNumber, lie: Turn): ViewState {
    const easel = new Easel(this.cameraOf(this.section.box, view, lie), this.full())
    return { easel, inker: new Inker(easel.layers, FINER, WHITE, easel.decals), drawn: 0, windows: [], inked: -1 }
  }
}

function print(composition: Composition, image = inkPlate(composition)): RgbImage {
  for (const overlay of composition.overlays) if (!overlay.isFramed) printOverlay(image, overlay)
  printMarks(image, composition.marks)
  for (const overlay of composition.overlays) if (overlay.isFramed) printOverlay(image, overlay)
  return image
}

/** Of each part in [from, to), a dot of it that shows, near the middle of all that do. */
function visibleMiddles({ part, size }: Layers, window: Window, from: number, to: number): Map<number, readonly [number, number]> {
  const sums = new Map<number, [count: number, x: number, y: number]>()
  const each = (visit: (shown: number, x: number, y: number) => void): void => {
    for (let y = window.top; y <= window.bottom; y++) {
      for (let x = window.left; x <= window.right; x++) {
        const shown = part[y * size.width + x]!
        if (shown >= from && shown < to) visit(shown, x, y)
      }
    }
  }
  each((shown, x, y) => {
    const sum = sums.get(shown) ?? [0, 0, 0]
    sums.set(shown, [sum[0] + 1, sum[1] + x, sum[2] + y])
  })
  const nearest = new Map<number, readonly [number, number, number]>()
  each((shown, x, y) => {
    const [count, sumX, sumY] = sums.get(shown)!
    const far = (x - sumX / count) ** 2 + (y - sumY / count) ** 2
    const known = nearest.get(shown)
    if (!known || far < known[2]) nearest.set(shown, [x, y, far])
  })
  return new Map([...nearest].map(([shown, [x, y]]) => [shown, [x, y] as const]))
}

const allOf = ({ size }: Layers): Window => ({ left: 0, right: size.width - 1, top: 0, bottom: size.height - 1 })
