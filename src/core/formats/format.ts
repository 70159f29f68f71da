import type { Said } from '../language'
import type { ModelDocument } from '../model'
import type { Alias } from '../names'
import type { Remark } from './remark'

/** A kind of file that models come in, go out, or both. */
export interface Format {
  readonly id: string
  /** For people: "model file". */
  readonly title: string
  /** The same on a narrow button, after "Save". */
  readonly short: string
  /** By which a file is recognised, longest first; the first is given to what is written. */
  readonly extensions: readonly string[]
  /** Those of them that are written; the first where nothing is said. */
  readonly written?: readonly string[]
  readonly mediaType: string
  /** What stands in such a file, in one sentence, for the documentation. */
  readonly about: string
  /**
   * @param name what the model is called where the file does not say
   * @throws Fault what the format refuses
   */
  readonly read?: (bytes: Uint8Array, name: string, options: ReadOptions) => ReadFile
  readonly write?: (model: ModelDocument) => string | Uint8Array<ArrayBuffer>
  /** What such a file cannot hold of a model; told before it is lost. */
  readonly losses?: (model: ModelDocument) => readonly Said[]
  /** Files beside it that it needs, by the names it gives them. */
  readonly neighbours?: (bytes: Uint8Array) => readonly string[]
}

/** One that models go out in. */
export type WritableFormat = Format & Required<Pick<Format, 'write'>>

/** What a person may say of a file that is brought in; each format looks at what concerns it. */
export interface ReadOptions {
  /** The designer's own names and numbers of pieces and colours. */
  readonly names?: readonly Alias[]
  /** mm a unit of a drawing; left out: told by its meshes. */
  readonly mmPerUnit?: number
  /** The axis that points up in a drawing; left out: told by its studs. */
  readonly up?: 'y' | 'z'
  /** A log of taking apart: its steps are written in building order. */
  readonly isReversed?: boolean
  /** Files beside it, by the names it gives them. */
  readonly neighbours?: ReadonlyMap<string, Uint8Array>
  /** Told from time to time how much is done, 0 to 1. @throws to stop */
  readonly onProgress?: (share: number) => void
}

/** What a file was read as. */
export interface ReadFile {
  readonly model: ModelDocument
  /** For programs: what was understood, by the contract of each format. */
  readonly report: Readonly<Record<string, unknown>>
  readonly remarks: readonly Remark[]
}

/** A file that is understood as it stands. */
export const understood = (model: ModelDocument): ReadFile => ({ model, report: {}, remarks: [] })
