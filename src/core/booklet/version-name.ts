import type { ModelDocument } from '../model'

/** A version whose steps stand in a booklet. */
export interface VersionName {
  /** Of the variant; empty for the model as its options say. */
  readonly id: string
  readonly name: string
  readonly note?: string
}

/** A version with its document. */
export type VersionDocument = VersionName & { readonly model: ModelDocument }
