import type { Bookmark, LaidBooklet, SheetMark, TextMark } from './layout/items'

/** A mark of a sheet without what only measures and prints; its place is counted from the upper left corner. */
export type PreviewMark = Exclude<SheetMark, TextMark> | (Omit<TextMark, 'line'> & { readonly width: number })

export interface PreviewSheet {
  readonly width: number
  readonly height: number
  readonly marks: readonly PreviewMark[]
}

/** The sheets of a booklet as they are shown before they are printed: plain values that go from a worker to a screen. */
export interface Preview {
  readonly sheets: readonly PreviewSheet[]
  readonly bookmarks: readonly Bookmark[]
}

export const previewOf = ({ sheets, bookmarks }: LaidBooklet): Preview => ({
  sheets: sheets.map(({ width, height, items }) => ({
    width,
    height,
    marks: items.map(({ element: _, ...mark }) => fromAbove(plain(mark), height)),
  })),
  bookmarks,
})

function plain(mark: SheetMark): PreviewMark {
  if (mark.kind !== 'text') return mark
  const { line, ...rest } = mark
  return { ...rest, width: line.width }
}

/** Screens count from above, and place what has a height by its upper edge. */
function fromAbove(mark: PreviewMark, height: number): PreviewMark {
  switch (mark.kind) {
    case 'line': {
      const { from, to } = mark
      return { ...mark, from: { x: from.x, y: height - from.y }, to: { x: to.x, y: height - to.y } }
    }
    case 'text':
    case 'path':
    case 'ring':
      return { ...mark, y: height - mark.y }
    default:
      return { ...mark, y: height - mark.y - mark.height }
  }
}
