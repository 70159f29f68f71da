import { createHash } from 'node:crypto'
import { bundleChanges, type Bundle, type BundleChanges } from '@core/booklet'
import { Fault, placedWithin } from '@core/fault'
import { BUNDLE_BYTES, checkBundle } from '@core/formats'
import { checkBody, NEW_BOOKLET, NEW_VERSION, readJson, type NewBooklet, type NewVersion } from './bodies'

/** A request that holds a bundle, read and checked. */
export interface CheckedUpload<T> {
  /** The bundle to be stored: as it came, but for what pictures need not hold. */
  readonly text: string
  /** SHA-256 of the text, and of what is in it whatever the order of its keys. */
  readonly bundle: string
  readonly content: string
  readonly name: string
  readonly designer?: string
  /** What stands beside the bundle. */
  readonly rest: T
}
export interface UploadKinds {
  readonly booklet: NewBooklet
  readonly version: NewVersion
}

/** @throws Fault */
export function checkUpload<K extends keyof UploadKinds>(body: string, kind: K): CheckedUpload<UploadKinds[K]> {
  const value: unknown = readJson(body)
  const { bundle: asked, ...rest } = kind === 'booklet' ? checkBody(NEW_BOOKLET, value) : checkBody(NEW_VERSION, value)
  const bundle = placedWithin('bundle', () => checkBundle(asked))
  const text = JSON.stringify(bundle)
  if (Buffer.byteLength(text) > BUNDLE_BYTES) throw tooLarge()
  const { name, designer } = bundle.model
  return {
    text,
    bundle: sha256(text),
    content: sha256(JSON.stringify(inOrder(bundle))),
    name,
    ...(designer === undefined ? {} : { designer }),
    rest,
  }
}

/** @param before stored text of a bundle, as `after` */
export const compareTexts = (before: string, after: string): BundleChanges =>
  bundleChanges(JSON.parse(before) as Bundle, JSON.parse(after) as Bundle)

export const tooLarge = (): Fault => new Fault('too-large', 'The booklet is larger than 32 MiB.', { wayOut: 'Publish it in parts.' })

export const sha256 = (text: string | Buffer): string => createHash('sha256').update(text).digest('hex')

/** The same with all keys in order. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, within]) => [key, inOrder(within)]),
  )
}
