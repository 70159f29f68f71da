import type { ModelDocument } from '../model'

/** A kind of file that models come in, go out, or both. */
export interface Format {
  readonly id: string
  /** For people: "model file". */
  readonly title: string
  /** The same on a narrow button, after "Save". */
  readonly short: string
  /** By which a file is recognised, longest first; the first is given to what is written. */
  readonly extensions: readonly string[]
  readonly mediaType: string
  /** What stands in such a file, in one sentence, for the documentation. */
  readonly about: string
  /**
   * @param name what the model is called where the file does not say
   * @throws Fault what the format refuses
   */
  readonly read?: (text: string, name: string) => ModelDocument
  readonly write?: (model: ModelDocument) => string
  /** What such a file cannot hold of a model, in words; told before it is lost. */
  readonly losses?: (model: ModelDocument) => readonly string[]
}

/** One that models go out in. */
export type WritableFormat = Format & Required<Pick<Format, 'write'>>
