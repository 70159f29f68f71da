import type { Bundle } from '@core/booklet'
import type { Paper } from '@core/model'
import type { Alias } from '@core/names'
import type { ScriptFace, Weight } from '../type/faces'

/** What an export is made from. */
export interface ExportInput {
  readonly bundle: Bundle
  /** Where another than the booklet's own is asked for. */
  readonly paper?: Paper
  /** The designer's own names, where they are to stand beside ours. */
  readonly aliases: readonly Alias[]
  readonly assets: ExportAssets
  /** Told from 0 to 1; throw from it to stop. */
  readonly progress?: (fraction: number) => void | Promise<void>
}

/** What is shipped beside the program; the page and the command line find it in different places. */
export interface ExportAssets {
  /** TrueType. */
  font(face: ScriptFace, weight: Weight): Promise<Uint8Array>
  /** The follower as one HTML page, without a booklet. */
  followPage(): Promise<string>
}

/** A file that a booklet goes out as. */
export interface BookletExport {
  readonly id: string
  /** On its button. */
  readonly title: string
  readonly extension: string
  readonly mediaType: string
  /** What it is good for, in one sentence; told when it is done. */
  readonly about: string
  /** Asks for a size of paper. */
  readonly usesPaper?: boolean
  /** Added to the name of the model. */
  readonly suffix?: string
  readonly write: (input: ExportInput) => Promise<Uint8Array | string>
}
