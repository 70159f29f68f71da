import type { PictureContent, PictureRef } from '@core/booklet'
import type { Language } from '@core/language'
import type { PieceCount } from '@core/count'
import type { PictureSize, PieceLook } from '@core/picture'
import type { SetLine } from '../type/typeface'
import type { Element } from './elements'

/** Something at a place of a sheet: its lower left corner, pt from that of the sheet. */
interface MarkFrame {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

interface SheetPoint {
  readonly x: number
  readonly y: number
}

/** A line of text, set from x on, its letters standing on y. */
export interface TextMark extends SheetPoint {
  readonly kind: 'text'
  readonly text: string
  readonly line: SetLine
  readonly size: number
  readonly isBold: boolean
  readonly colour: string
}

interface LineItem {
  readonly kind: 'line'
  readonly from: SheetPoint
  readonly to: SheetPoint
  readonly thickness: number
  readonly colour: string
}

interface RectangleItem extends MarkFrame {
  readonly kind: 'rectangle'
  readonly fill?: string
  readonly line?: string
  readonly thickness?: number
}

/** Strokes along path data whose y runs down, its origin at the place. */
interface PathItem extends SheetPoint {
  readonly kind: 'path'
  readonly path: string
  readonly scale: number
  readonly thickness: number
  readonly colour: string
}

interface RingItem extends SheetPoint {
  readonly kind: 'ring'
  readonly radius: number
  readonly thickness: number
  readonly colour: string
}

/** A picture of the work. */
export interface PictureItem extends MarkFrame {
  readonly kind: 'picture'
  readonly picture: PictureRef
  readonly content: PictureContent
  /** px that it is drawn for, where it is not the usual size. */
  readonly size?: PictureSize
}

/** The picture of a piece, drawn as its tray is. */
export interface PieceItem extends MarkFrame {
  readonly kind: 'piece'
  readonly piece: PieceCount
  readonly look: PieceLook
  /** px */
  readonly size: PictureSize
}

/** A decal or a photo, turned clockwise by so many quarters. */
export interface ImageItem extends MarkFrame {
  readonly kind: 'image'
  /** A data URL. */
  readonly address: string
  readonly quarters: 0 | 1 | 2 | 3
}

export type SheetMark = TextMark | LineItem | RectangleItem | PathItem | RingItem | PictureItem | PieceItem | ImageItem

/** A mark, and what it belongs to; decoration belongs to nothing. */
export type SheetItem = SheetMark & { readonly element?: Element }

/** A sheet as it is laid out, pt, in the order in which it is drawn. */
export interface LaidSheet {
  readonly width: number
  readonly height: number
  readonly items: readonly SheetItem[]
}

/** A place that readers jump to. */
export interface Bookmark {
  readonly title: string
  /** Index of its sheet. */
  readonly sheet: number
}

/** A booklet on its sheets: what is seen before it is printed, and what is printed. */
export interface LaidBooklet {
  readonly name: string
  readonly designer: string
  readonly language: Language
  readonly sheets: readonly LaidSheet[]
  readonly bookmarks: readonly Bookmark[]
  readonly structure: Element
}
