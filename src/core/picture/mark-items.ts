import { ARROW_SHAPE, arrowLines, headCorners } from './arrow'
import type { FlatPoint } from '../space'
import type { AreaItem, EllipseItem, LinesItem, Loop, TextItem } from './display-list'
import type { Mark } from './marks'
import { INK, WHITE, type Rgb } from './paint'

/** What a mark is drawn with: every renderer draws the same. */
export type MarkItem = AreaItem | LinesItem | EllipseItem | TextItem

/** A ring lies down like the studs it stands for. */
const RING_SQUASH = 1.5
/** Widths of its two lines, px: an ink ring in a paper one, so that it shows on any colour and in print. */
const RING = { paper: 4.4, ink: 2 } as const
/** Of a letter and the disc of paper behind it, px. */
const LETTER = { size: 13, disc: 8.4, rim: 1.1 } as const
/** Where a way goes straight into the picture, its arrow is a ring with a dot in it, px. */
const DOT = { line: 2.4, radius: 2.5 } as const
/** Closes the seam between shaft and head, px. */
const HAIR = 0.2

/** The items of a mark, far ones first. */
export function markItems(mark: Mark): MarkItem[] {
  if (mark.kind === 'ring') {
    const ring = { kind: 'ellipse', at: mark.at, radii: [mark.radius, mark.radius / RING_SQUASH], fill: undefined } as const
    return [
      { ...ring, line: WHITE, width: RING.paper },
      { ...ring, line: INK, width: RING.ink },
    ]
  }
  if (mark.kind === 'letter') {
    const { at, letter } = mark
    return [
      { kind: 'ellipse', at, radii: [LETTER.disc, LETTER.disc], fill: WHITE, line: INK, width: LETTER.rim },
      { kind: 'text', at, text: letter, size: LETTER.size, colour: INK },
    ]
  }
  if (mark.kind === 'scale') return scaleItems(mark)
  if (mark.kind === 'locator') return locatorItems(mark)
  return pathItems(mark)
}

/** Gap between a stud of a scale mark and the arrow between them, px. */
const SCALE_GAP = 5
/** The stud as it was, an arrow, the stud as it is. */
function scaleItems({ ends: [from, to], before, now }: Extract<Mark, { kind: 'scale' }>): MarkItem[] {
  const stud = (at: FlatPoint, radius: number): EllipseItem => ({
    kind: 'ellipse',
    at,
    radii: [radius, radius],
    fill: WHITE,
    line: INK,
    width: LETTER.rim,
  })
  const points: FlatPoint[] = [
    [from[0] + before + SCALE_GAP, from[1]],
    [to[0] - now - SCALE_GAP, to[1]],
  ]
  return [stud(from, before), ...pathItems({ kind: 'path', points, heads: 'end' }), stud(to, now)]
}

/** A panel of paper, the whole as a pale box, the region dark in it. */
function locatorItems({ panel: { left, top, width, height }, whole, region }: Extract<Mark, { kind: 'locator' }>): MarkItem[] {
  const panel: FlatPoint[] = [
    [left, top],
    [left + width, top],
    [left + width, top + height],
    [left, top + height],
  ]
  const closed = (loops: readonly Loop[]): Loop[] => loops.map((loop) => [...loop, loop[0]!])
  return [
    { kind: 'area', colour: WHITE, loops: [panel] },
    { kind: 'lines', colour: INK, width: LETTER.rim, lines: closed([panel]) },
    { kind: 'area', colour: LOCATOR_WHOLE, loops: whole },
    { kind: 'lines', colour: LOCATOR_EDGE, width: LETTER.rim, lines: closed(whole) },
    { kind: 'area', colour: INK, loops: region },
    { kind: 'lines', colour: WHITE, width: LETTER.rim / 2, lines: closed(region) },
  ]
}

const LOCATOR_WHOLE: Rgb = [228, 228, 228]
const LOCATOR_EDGE: Rgb = [120, 120, 120]

function pathItems({ points, heads }: Extract<Mark, { kind: 'path' }>): MarkItem[] {
  const lines = arrowLines(points, heads)
  if (!lines) {
    const at = points[points.length - 1]!
    return [
      { kind: 'ellipse', at, radii: [ARROW_SHAPE.head, ARROW_SHAPE.head], fill: WHITE, line: INK, width: DOT.line },
      { kind: 'ellipse', at, radii: [DOT.radius, DOT.radius], fill: INK, line: INK, width: 0 },
    ]
  }
  const loops = lines.heads.map(headCorners)
  const stroke = (colour: Rgb, more: number): MarkItem[] => [
    { kind: 'lines', colour, width: 2 * (ARROW_SHAPE.shaft + more), lines: [lines.shaft] },
    { kind: 'area', colour, loops, seam: Math.max(HAIR, 2 * more) },
  ]
  return [...stroke(WHITE, ARROW_SHAPE.halo), ...stroke(INK, 0)]
}
