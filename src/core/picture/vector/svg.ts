import type { FlatPoint } from '../../space'
import { ARROW_SHAPE, arrowLines, type Head } from '../arrow'
import type { Mark } from '../marks'
import { INK, WHITE, type Rgb } from '../paint'
import { RING_HALF, RING_SQUASH } from '../rings'
import { LETTER, SEAM, type Drawing, type DrawnItem, type Loop } from './drawing'

/** A drawing as the text of an SVG file; its lines keep their width in px of the picture. */
export function writeSvg(drawing: Drawing): string {
  const names = { count: 0 }
  const body = drawing.items.map((item) => itemText(item, names)).join('')
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${drawing.width}" height="${drawing.height}" ` +
    `viewBox="0 0 ${drawing.width} ${drawing.height}" stroke-linejoin="round" stroke-linecap="round">` +
    `<rect width="100%" height="100%" fill="#fff"/>${body}</svg>`
  )
}

/** Two places behind the point, and none where they are nothing. */
const number = (value: number): string => String(Math.round(value * 100) / 100)
const hex = (colour: Rgb): string => `#${colour.map((value) => Math.round(value).toString(16).padStart(2, '0')).join('')}`
const point = ([x, y]: FlatPoint): string => `${number(x)} ${number(y)}`
/** Each corner from the one before, so that what is alike reads alike and packs small. */
const path = (loops: readonly Loop[], isClosed: boolean): string =>
  loops.map((loop) => `M${point(loop[0]!)}l${stepsOf(loop).map(point).join(' ')}${isClosed ? 'z' : ''}`).join('')

/** The finest step of a drawing, px. */
export const FINEST = 0.05

/** The way from corner to corner in whole finest steps, counted from the first, so that roundings do not add up. */
export function stepsOf(loop: Loop): FlatPoint[] {
  const first = loop[0]!
  const rounded = (value: number): number => Math.round(value / FINEST) * FINEST
  const local = loop.map(([x, y]): FlatPoint => [rounded(x - first[0]), rounded(y - first[1])])
  return local.slice(1).map(([x, y], i): FlatPoint => [x - local[i]![0], y - local[i]![1]])
}

function itemText(item: DrawnItem, names: { count: number }): string {
  switch (item.kind) {
    case 'area': {
      const colour = hex(item.colour)
      return `<path d="${path(item.loops, true)}" fill="${colour}" stroke="${colour}" stroke-width="${SEAM}"/>`
    }
    case 'lines':
      return `<path d="${path(item.lines, false)}" fill="none" stroke="${hex(item.colour)}" stroke-width="${number(item.width)}"/>`
    case 'picture':
      return pictureText(item, names)
    case 'mark':
      return markText(item.mark)
    case 'drawing':
      return drawingText(item, names)
  }
}

function pictureText(item: Extract<DrawnItem, { kind: 'picture' }>, names: { count: number }): string {
  const id = `within-${names.count++}`
  const matrix = [...item.right, ...item.down, ...item.corner].map((value) => String(Math.round(value * 1e4) / 1e4)).join(' ')
  return (
    `<clipPath id="${id}"><path d="${path(item.within, true)}"/></clipPath><g clip-path="url(#${id})" opacity="${number(item.opacity)}">` +
    `<image width="1" height="1" preserveAspectRatio="none" transform="matrix(${matrix})" href="${item.address}"/></g>`
  )
}

function drawingText({ drawing, left, top, isFramed, opacity }: Extract<DrawnItem, { kind: 'drawing' }>, names: { count: number }): string {
  const { width, height } = drawing
  const frame = isFramed
    ? `<rect x="${number(left - 1)}" y="${number(top - 1)}" width="${width + 2}" height="${height + 2}" fill="#fff" stroke="${hex(INK)}" stroke-width="2"/>`
    : ''
  const inner = drawing.items.map((item) => itemText(item, names)).join('')
  return (
    `${frame}<svg x="${number(left)}" y="${number(top)}" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" overflow="hidden">` +
    `<g opacity="${number(opacity)}">${inner}</g></svg>`
  )
}

function markText(mark: Mark): string {
  if (mark.kind === 'ring') return ringText(mark)
  if (mark.kind === 'letter') return letterText(mark)
  const lines = arrowLines(mark.points, mark.heads)
  if (!lines) return dotText(mark.points[mark.points.length - 1]!)
  const { shaft, halo } = ARROW_SHAPE
  const heads = path(lines.heads.map(headCorners), true)
  const line = path([lines.shaft], false)
  const stroke = (colour: Rgb, more: number): string =>
    `<path d="${line}" fill="none" stroke="${hex(colour)}" stroke-width="${number(2 * (shaft + more))}"/>` +
    `<path d="${heads}" fill="${hex(colour)}" stroke="${hex(colour)}" stroke-width="${number(2 * more)}"/>`
  return stroke(WHITE, halo) + stroke(INK, 0)
}

/** The three corners of an arrow's head. */
export function headCorners({ tip, neck }: Head): Loop {
  const length = Math.max(1e-9, Math.hypot(tip[0] - neck[0], tip[1] - neck[1]))
  const across: FlatPoint = [(-(tip[1] - neck[1]) / length) * ARROW_SHAPE.head, ((tip[0] - neck[0]) / length) * ARROW_SHAPE.head]
  return [tip, [neck[0] + across[0], neck[1] + across[1]], [neck[0] - across[0], neck[1] - across[1]]]
}

function ringText({ at, radius }: Extract<Mark, { kind: 'ring' }>): string {
  const ring = (colour: Rgb, half: number): string =>
    `<ellipse cx="${number(at[0])}" cy="${number(at[1])}" rx="${number(radius)}" ry="${number(radius / RING_SQUASH)}" fill="none" ` +
    `stroke="${hex(colour)}" stroke-width="${2 * half}"/>`
  return ring(WHITE, RING_HALF.paper) + ring(INK, RING_HALF.ink)
}

const dotText = (at: FlatPoint): string =>
  `<circle cx="${number(at[0])}" cy="${number(at[1])}" r="${ARROW_SHAPE.head}" fill="#fff" stroke="${hex(INK)}" stroke-width="2.4"/>` +
  `<circle cx="${number(at[0])}" cy="${number(at[1])}" r="2.5" fill="${hex(INK)}"/>`

const letterText = ({ at, letter }: Extract<Mark, { kind: 'letter' }>): string =>
  `<circle cx="${number(at[0])}" cy="${number(at[1])}" r="${LETTER.disc}" fill="#fff" stroke="${hex(INK)}" stroke-width="${LETTER.rim}"/>` +
  `<text x="${number(at[0])}" y="${number(at[1] + LETTER.size * 0.36)}" font-family="sans-serif" font-weight="700" font-size="${LETTER.size}" ` +
  `text-anchor="middle" fill="${hex(INK)}">${letter}</text>`
