import type { Catalogue } from '../catalogue'
import { lettersOf, pieceKey, trayOf } from '../count'
import type { PlacedPart } from '../model'
import { add, middle, NO_TURN, PLATE_HEIGHT, scale, sizeOf, TURNS, unite, type Box, type Turn, type Vec } from '../space'
import { partHull } from '../scene'
import { drawArrow } from './arrow'
import type { DrawnSection } from './drawn-section'
import { drawLetter } from './glyphs'
import { Inker, type RgbImage } from './ink'
import { drawInset, needsInset } from './inset'
import { Layers, uniteWindows, type Window } from './layers'
import { lookOf, WHITE, type PartLook } from './paint'
import { drawRings } from './rings'
import { StencilCutter } from './stencil'
import { fitCamera, project, VIEWS, type Camera, type PictureSize, type ViewNumber } from './view'

/** Dots each way for one dot of the picture: drawing larger and averaging smooths the lines. */
const FINER = 2
const MARGIN = 28
const MOST_SCALE = 7
const WASH = 0.32
const MOST_VIEWS = 2
/** Share of paper in all but the one thing that a picture is about. */
const PALE = 0.68
/** Length of an arrow, px, and its gap to the thing, u. */
const ARROW = 90
const ARROW_GAP = 3
/** More would be a thicket. */
const MOST_ARROWS = 4
/** Px for one dot of a letter. */
const LETTER_DOT = 1.5

/** Height of a plate, in dots of the layers, below which lines are thin. */
const LOW_PLATE = 11
const hasFineLines = (camera: Camera): boolean => camera.scale * PLATE_HEIGHT < LOW_PLATE

interface ViewState {
  readonly camera: Camera
  layers: Layers
  inker: Inker
  /** Steps already drawn into the layers, and where each was drawn. */
  drawn: number
  windows: Window[]
  /** The step whose picture was inked last; −1 when none was, or the finished section. */
  inked: number
  readonly cutter: StencilCutter
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
  paint(step: number, view: ViewNumber): RgbImage {
    const lie = this.section.lies[step] ?? NO_TURN
    const state = this.upTo(step, view, lie)
    const [from, to] = this.section.ranges[step]!
    const isNext = state.inked >= 0 && state.inked === step - 1
    const changed = isNext ? uniteWindows(state.windows[step - 1]!, state.windows[step]!) : allOf(state.layers)
    const look = { looks: this.looks, newFrom: from, newTo: to, wash: WASH, hasFineLines: hasFineLines(state.camera) }
    const image = state.inker.ink(changed, look)
    state.inked = step
    if (from > 0) {
      const holds = this.section.holds[step]!.map((place) => project(state.camera, place))
      drawRings(image, holds, FINER, state.camera.scale / FINER)
    }
    this.drawWays(image, state.camera, step)
    this.drawLetters(image, state, step)
    const inset = { section: this.section, looks: this.looks, step, view, lie: TURNS[lie]!, wash: WASH, window: state.windows[step]! }
    if (needsInset(image, inset)) drawInset(image, inset)
    return image
  }

  /** Arrows for what does not simply come from above, and for every jump: what travels alike has one together. */
  private drawWays(image: RgbImage, camera: Camera, step: number): void {
    const { section } = this
    const [first, last] = section.nodeRanges[step]!
    const [from, to] = section.ranges[step]!
    const boxes = new Map<string, { box: Box; travel: Vec }>()
    for (let part = from; part < to; part++) {
      const node = section.partNode[part]!
      const travel = section.nodeTravels[node]!
      const isJump = section.parts[part]!.path.includes('/')
      if (node < first || node >= last || (travel[2] === -1 && !isJump) || from === 0) continue
      const key = `${travel.join()} ${isJump ? node : ''}`
      const box = partHull(section.parts[part]!)
      const known = boxes.get(key)
      boxes.set(key, { box: known ? unite(known.box, box) : box, travel })
    }
    for (const { box, travel } of [...boxes.values()].slice(0, MOST_ARROWS)) this.drawWayIn(image, camera, box, travel)
  }

  /** A letter on each new part whose colour is hard to tell from another of this step. */
  private drawLetters(image: RgbImage, { layers, windows }: ViewState, step: number): void {
    const [from, to] = this.section.ranges[step]!
    const own = this.section.parts.slice(from, to).filter(({ path }) => !path.includes('/'))
    if (own.length < 2) return
    const letters = lettersOf(trayOf(own.map(({ part }) => part)), this.colours)
    if (letters.size === 0) return
    const middles = visibleMiddles(layers, windows[step]!, from, to)
    for (let part = from; part < to; part++) {
      const placed = this.section.parts[part]!
      const letter = placed.path.includes('/') ? undefined : letters.get(pieceKey(placed.part))
      const at = middles.get(part)
      if (letter && at) drawLetter(image, letter, at[0] / FINER, at[1] / FINER, LETTER_DOT)
    }
  }

  /**
   * One thing of a step alone in full colour, with rings where it takes hold and an arrow along its way in.
   * @param travel where it travels to, a unit vector
   */
  paintFocus(step: number, view: ViewNumber, id: string, travel: Vec): RgbImage {
    const { section } = this
    const state = this.upTo(step, view, section.lies[step] ?? NO_TURN)
    const [first, last] = section.nodeRanges[step]!
    const node = section.nodeIds.slice(first, last).indexOf(id) + first
    const [from, to] = section.ranges[step]!
    const mine = Array.from({ length: to - from }, (_, i) => from + i).filter((part) => section.partNode[part] === node)
    state.inked = -1
    const range = { newFrom: mine[0] ?? 0, newTo: mine.length > 0 ? mine[mine.length - 1]! + 1 : 0 }
    const image = state.inker.ink(allOf(state.layers), {
      looks: this.looks,
      ...range,
      wash: PALE,
      hasFineLines: hasFineLines(state.camera),
    })
    if (mine.length === 0) return image
    const holds = section.nodeHolds[node]!.map((place) => project(state.camera, place))
    drawRings(image, holds, FINER, state.camera.scale / FINER)
    const box = mine.map((part) => partHull(section.parts[part]!)).reduce(unite)
    this.drawWayIn(image, state.camera, box, travel)
    return image
  }

  /** The arrow ends where the box begins, on the side it comes from. */
  private drawWayIn(image: RgbImage, camera: Camera, box: Box, travel: Vec): void {
    const size = sizeOf(box)
    const half = (Math.abs(travel[0]) * size[0] + Math.abs(travel[1]) * size[1] + Math.abs(travel[2]) * size[2]) / 2
    const end = add(middle(box), scale(travel, -half - ARROW_GAP))
    const seen = (place: Vec): Vec => scale(project(camera, place), 1 / FINER)
    const length = ARROW / (camera.scale / FINER)
    drawArrow(image, seen(add(end, scale(travel, -length))), seen(end))
  }

  /** The finished section without marks. */
  paintFinished(view: ViewNumber): RgbImage {
    const state = this.upTo(this.section.ranges.length - 1, view, NO_TURN)
    state.inked = -1
    const look = { looks: this.looks, newFrom: 0, newTo: 0, wash: 0, hasFineLines: hasFineLines(state.camera) }
    return state.inker.ink(allOf(state.layers), look)
  }

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
      const window = state.layers.startWindow()
      for (let part = from; part < to; part++) drawPart(state, this.section.parts[part]!, part)
      state.windows.push(window)
    }
    return state
  }

  private freshView(view: ViewNumber, lie: Turn): ViewState {
    const full = { width: this.size.width * FINER, height: this.size.height * FINER }
    const camera = fitCamera(this.section.box, view, full, MARGIN * FINER, MOST_SCALE * FINER, TURNS[lie])
    const layers = new Layers(full)
    return { camera, layers, inker: new Inker(layers, FINER, WHITE), drawn: 0, windows: [], inked: -1, cutter: new StencilCutter(camera) }
  }
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

function drawPart({ camera, cutter, layers }: ViewState, { shape, pose }: PlacedPart, part: number): void {
  const [x, y, depth] = project(camera, pose.at)
  layers.draw(cutter.of(shape, pose.matrix), part, x, y, depth)
}
