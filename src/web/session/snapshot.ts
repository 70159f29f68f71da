import { layRail, PageIndex, type BookletSource, type RailLayout, makeBundle, versionsBeside, type Bundle } from '@core/booklet'
import { brokenBy, findingWords } from '@core/checks'
import { type Report } from '@core/pipeline'
import { catalogueOf, choiceWithin, type ModelDocument } from '@core/model'
import type { Catalogue } from '@core/catalogue'
import { screenAdvice, screenLanguage } from '../language'
import { reportFrom, shownModel, sourceOf, stateAfter, type ModelState, type PlanSettings, type Printed } from '../../workers/plan-messages'
import { shownCatalogue } from '../shared/shown-catalogue'

/**
 * All that is shown, exported and published of one version of a model, made together and swapped together: nothing on the
 * screen ever belongs to another version than the rest.
 */
export interface Snapshot {
  readonly version: number
  readonly state: ModelState
  /** With all its versions: what is edited. */
  readonly model: ModelDocument
  /** The version that is planned, painted and published. */
  readonly shown: ModelDocument
  readonly settings: PlanSettings
  readonly catalogue: Catalogue
  readonly printed: Printed
  /** The same as bytes of JSON, where it came so: what is told whole is told by them. */
  readonly bytes: Uint8Array | undefined
  readonly report: Report
  readonly source: BookletSource
  readonly layout: RailLayout
  readonly pages: PageIndex
}

/** Made lazily, once, and only of what is asked for. */
export function makeSnapshot(version: number, asked: ModelState, printed: Printed, bytes?: Uint8Array): Snapshot {
  const state = stateAfter(asked, printed)
  const shown = shownModel(state)
  const source = {
    ...sourceOf(shown, printed),
    language: screenLanguage(),
    ...versionsBeside(state.model, choiceWithin(state.model, state.settings.version ?? {})),
  }
  let layout: RailLayout | undefined
  let pages: PageIndex | undefined
  return {
    version,
    state,
    model: state.model,
    shown,
    settings: state.settings,
    catalogue: shownCatalogue(catalogueOf(state.model)),
    printed,
    bytes,
    report: reportFrom(printed),
    source,
    get layout() {
      return (layout ??= layRail(source))
    },
    get pages() {
      return (pages ??= new PageIndex(source))
    },
  }
}

/** What is published of a snapshot. */
export const bundleOf = ({ shown, report, printed }: Snapshot): Bundle => makeBundle(shown, report, printed.views, printed)

/** Why hands could not follow the next version though they could follow this one; undefined where they can. */
export function whatBreaks(before: Snapshot, after: Snapshot): string | undefined {
  const [first] = brokenBy(before.report.findings, after.report.findings)
  return first && findingWords(first, screenAdvice())
}
