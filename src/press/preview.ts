import type { Bookmark, LaidBooklet, SheetMark, TextMark } from './layout/items'

/** A mark of a sheet without what only measures and prints. */
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
    marks: items.map(({ element: _, ...mark }) => plain(mark)),
  })),
  bookmarks,
})

function plain(mark: SheetMark): PreviewMark {
  if (mark.kind !== 'text') return mark
  const { line, ...rest } = mark
  return { ...rest, width: line.width }
}
