import type { BundleChanges } from '@core/booklet'
import { checkUpload, compareTexts, type CheckedUpload, type UploadKinds } from './upload'

/** What is done with bundles: too long for the thread that answers requests. */

/** One of them, as it is sent to another thread. */
export interface CheckTask {
  readonly name: keyof typeof checkHere
  readonly args: readonly unknown[]
}

export interface BundleChecker {
  /** @throws Fault what the check refuses */
  checkUpload<K extends keyof UploadKinds>(body: string, kind: K): Promise<CheckedUpload<UploadKinds[K]>>
  compareTexts(before: string, after: string): Promise<BundleChanges>
  close(): Promise<void>
}

export const checkHere = { checkUpload, compareTexts } as const

/** In this thread: for tests, and where the program is not bundled. */
export const checkerHere: BundleChecker = {
  checkUpload: (body, kind) => Promise.resolve().then(() => checkUpload(body, kind)),
  compareTexts: (before, after) => Promise.resolve().then(() => compareTexts(before, after)),
  close: () => Promise.resolve(),
}
