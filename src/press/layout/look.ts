import type { AskedLayout, MarginWidth, Paper, StepColumns, TrayPlace } from '@core/model'

/** pt */
const SIZES: Readonly<Record<Paper, readonly [width: number, height: number]>> = {
  a4: [595.28, 841.89],
  a5: [419.53, 595.28],
  letter: [612, 792],
  square: [595.28, 595.28],
  slide: [960, 540],
  phone: [360, 640],
}
export const paperSize = (paper: Paper): readonly [width: number, height: number] => SIZES[paper]

/** What stays free around a sheet, pt. */
export const MARGINS: Readonly<Record<MarginWidth, number>> = { narrow: 24, usual: 40, wide: 62 }

/** How a booklet is put on its sheets. */
export interface SheetLook {
  readonly paper: Paper
  readonly margins: MarginWidth
  readonly columns: StepColumns
  readonly stepsOnSheet?: number
  readonly trays: TrayPlace
  readonly contents: boolean
  readonly label: boolean
  /** A photo beside the picture of the finished model. */
  readonly reference: boolean
}

const USUAL: SheetLook = {
  paper: 'a4',
  margins: 'usual',
  columns: 'fitting',
  trays: 'both',
  contents: false,
  label: false,
  reference: false,
}

/** What is asked for, and the usual where nothing is said. */
export function lookOf({ paper, margins, columns, stepsOnSheet, trays, contents, label, reference }: AskedLayout = {}): SheetLook {
  return {
    paper: paper ?? USUAL.paper,
    margins: margins ?? USUAL.margins,
    columns: columns ?? USUAL.columns,
    trays: trays ?? USUAL.trays,
    contents: contents ?? USUAL.contents,
    label: label ?? USUAL.label,
    reference: reference ?? USUAL.reference,
    ...(stepsOnSheet === undefined ? {} : { stepsOnSheet }),
  }
}
