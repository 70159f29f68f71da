import { askedBags } from '../bags'
import { asBuilt, documentOfVersion, type ModelDocument, type VersionChoice } from '../model'
import { insetsOf, reportModel, viewsOf, type Progress, type Report, type ReportOptions } from '../pipeline'
import { makeBundle, versionOf, type BookletVersion, type Bundle } from './bundle'
import { versionsBeside } from './versions'

/** The booklet of one version, planned, looked at and packed. */
function planBundle(model: ModelDocument, options: ReportOptions): { bundle: Bundle; report: Report } {
  const reported = reportModel(model, options)
  const { report, looks } = reported
  return { bundle: makeBundle(model, report, viewsOf(looks), { insets: insetsOf(reported), bags: askedBags(model, report) }), report }
}

/**
 * Plans what stands in a booklet beside the version that is shown.
 * @param model with all its versions
 * @param options how steps are laid, and `progress` from 0 to 1
 */
export function planVersionsBeside(
  model: ModelDocument,
  choice: VersionChoice,
  options: ReportOptions,
): Pick<Bundle, 'shows'> & { readonly versions?: readonly BookletVersion[] } {
  const { shows, versions } = versionsBeside(model, choice)
  if (!shows || !versions) return {}
  const share = 1 / versions.length
  const progress =
    (at: number): Progress =>
    (fraction) =>
      options.progress?.((at + fraction) * share)
  const planned = versions.map((version, i) => versionOf(planBundle(version.model, { ...options, progress: progress(i) }).bundle, version))
  return { shows, versions: planned }
}

/** The booklet of a model with all the versions in it, planned from the document. @returns it with the report on the version that is shown */
export function planBooklet(model: ModelDocument, choice: VersionChoice, options: ReportOptions = {}): { bundle: Bundle; report: Report } {
  const { bundle, report } = planBundle(asBuilt(documentOfVersion(model, choice)), options)
  return { bundle: { ...bundle, ...planVersionsBeside(model, choice, options) }, report }
}
