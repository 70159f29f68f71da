import type { FlatPoint } from '../../space'
import { CAPITAL_FOOT, SEAM, type EllipseItem, type Loop, type TextItem } from '../display-list'
import { INK, type Rgb } from '../paint'
import type { Drawing, DrawnItem } from './drawing'

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
const path = (loops: readonly Loop[], ends: 'closed' | 'open'): string =>
  loops.map((loop) => `M${point(loop[0]!)}l${stepsOf(loop).map(point).join(' ')}${ends === 'closed' ? 'z' : ''}`).join('')

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
      return `<path d="${path(item.loops, 'closed')}" fill="${colour}" stroke="${colour}" stroke-width="${number(item.seam ?? SEAM)}"/>`
    }
    case 'lines':
      return `<path d="${path(item.lines, 'open')}" fill="none" stroke="${hex(item.colour)}" stroke-width="${number(item.width)}"/>`
    case 'picture':
      return pictureText(item, names)
    case 'ellipse':
      return ellipseText(item)
    case 'text':
      return letterText(item)
    case 'drawing':
      return drawingText(item, names)
  }
}

function pictureText(item: Extract<DrawnItem, { kind: 'picture' }>, names: { count: number }): string {
  const id = `within-${names.count++}`
  const matrix = [...item.right, ...item.down, ...item.corner].map((value) => String(Math.round(value * 1e4) / 1e4)).join(' ')
  return (
    `<clipPath id="${id}"><path d="${path(item.within, 'closed')}"/></clipPath><g clip-path="url(#${id})" opacity="${number(item.opacity)}">` +
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

function ellipseText({ at, radii: [wide, high], fill, line, width }: EllipseItem): string {
  const stroke = width > 0 ? ` stroke="${hex(line)}" stroke-width="${number(width)}"` : ''
  return `<ellipse cx="${number(at[0])}" cy="${number(at[1])}" rx="${number(wide)}" ry="${number(high)}" fill="${fill ? hex(fill) : 'none'}"${stroke}/>`
}

const letterText = ({ at, text, size, colour }: TextItem): string =>
  `<text x="${number(at[0])}" y="${number(at[1] + size * CAPITAL_FOOT)}" font-family="sans-serif" font-weight="700" font-size="${size}" ` +
  `text-anchor="middle" fill="${hex(colour)}">${text}</text>`
