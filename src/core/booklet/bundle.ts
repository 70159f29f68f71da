import type { BagStart } from '../bags'
import type { ShownInset } from '../pipeline'
import type { ColourCount, PieceCount } from '../count'
import type { ModelDocument } from '../model'
import type { Alias } from '../names'
import type { SectionPlan } from '../plan'
import type { VersionName } from './version-name'

/**
 * A published booklet: the model and its printed plan. Pictures are not in it: whoever opens it paints them, dot for dot
 * the same, so that a booklet of hundreds of steps stays small.
 */
export interface Bundle {
  readonly format: 'jump-rail-bundle'
  readonly version: 1
  readonly model: ModelDocument
  readonly plan: {
    readonly name: string
    readonly parts: number
    readonly sections: readonly SectionPlan[]
    readonly inventory: readonly PieceCount[]
    readonly colours: readonly ColourCount[]
  }
  /** For each section of the plan, the view of each step. */
  readonly views: readonly (readonly number[])[]
  /** What the views of some steps do not show, and the side from which an inset shows it. */
  readonly insets?: readonly ShownInset[]
  /** Where a bag begins; nothing where the designer does not ask for bags. */
  readonly bags?: readonly BagStart[]
  /** Which of several versions its steps are of; nothing where there is one. */
  readonly shows?: VersionName
  /** The other versions in it, each complete. */
  readonly versions?: readonly BookletVersion[]
  /** The finished model as a small PNG, a data address: the one picture in it, shown until the page has painted its own. */
  readonly cover?: string
  /** What the designer calls shapes and colours, where that is to stand beside our names. */
  readonly names?: readonly Alias[]
}

/** One version of a model, as it is built. */
export type BookletVersion = VersionName & Pick<Bundle, 'model' | 'plan' | 'views' | 'insets' | 'bags'>

/** The bundle of a model as it was planned, looked at and packed. */
export function makeBundle(
  model: ModelDocument,
  planned: Bundle['plan'],
  views: Bundle['views'],
  { insets = [], bags = [] }: Pick<Bundle, 'insets' | 'bags'> = {},
): Bundle {
  const { name, parts, sections, inventory, colours } = planned
  const plan = { name, parts, sections, inventory, colours }
  const more = { ...(insets.length > 0 ? { insets } : {}), ...(bags.length > 0 ? { bags } : {}) }
  return { format: 'jump-rail-bundle', version: 1, model, plan, views, ...more }
}

/** The same booklet, opened at another of its versions; as it is where it has no such. */
export function bundleAt(bundle: Bundle, id: string): Bundle {
  const { shows, versions = [] } = bundle
  const asked = versions.find((version) => version.id === id)
  if (!shows || !asked) return bundle
  const others = [versionOf(bundle, shows), ...versions.filter((version) => version !== asked)]
  const { id: _id, name: _name, note: _note, ...content } = asked
  const { insets: _insets, bags: _bags, ...head } = bundle
  return { ...head, ...content, shows: nameOf(asked), versions: others }
}

/** A booklet as one of the versions of another. */
export const versionOf = ({ model, plan, views, insets, bags }: Bundle, name: VersionName): BookletVersion => ({
  ...nameOf(name),
  model,
  plan,
  views,
  ...(insets ? { insets } : {}),
  ...(bags ? { bags } : {}),
})

const nameOf = ({ id, name, note }: VersionName): VersionName => ({ id, name, ...(note === undefined ? {} : { note }) })
