import { hasErrors, printedFinding, type Finding } from '@core/checks'
import { recolouredFrom, type ModelDocument } from '@core/model'
import { reportModel, type Report } from '@core/pipeline'
import type { StepLimits } from '@core/plan'
import { replay } from '@core/replay'
import { print, say } from '../console'
import { DONE, NOT_BUILDABLE } from '../exit-codes'
import { load } from '../files'
import type { DefineCommand } from './command'
import { planOptions, withPlanOptions } from './plan-options'
import { versionChoice, withVersionOptions } from './version-options'

export const definePlan: DefineCommand = (program, finish) =>
  withVersionOptions(withPlanOptions(program.command('plan <file>').description('the steps, counts, measures and findings of a model')))
    .option('--json', 'as JSON, the only form there is')
    .option('--verify', 'replay the printed plan by a second implementation')
    .action((file: string, values: PlanCommandValues & { readonly verify?: boolean }) => finish(plan(file, values, values.verify === true)))

export const defineCheck: DefineCommand = (program, finish) =>
  withVersionOptions(withPlanOptions(program.command('check <file>').description('the findings of a model alone')))
    .option('--json', 'as JSON, the only form there is')
    .action((file: string, values: PlanCommandValues) => finish(check(file, values)))

type PlanCommandValues = Parameters<typeof planOptions>[0] & Parameters<typeof versionChoice>[0]

async function plan(file: string, values: PlanCommandValues, isVerified: boolean): Promise<number> {
  const options = planOptions(values)
  const model = await load(file, versionChoice(values))
  const { report } = reportModel(model, { ...options, reads: true })
  print({ ...withOrigins(report, model), findings: report.findings.map(printedFinding) })
  tell(report.findings)
  const isProven = !isVerified || verify(model, report, options.limits)
  return hasErrors(report.findings) || !isProven ? NOT_BUILDABLE : DONE
}

async function check(file: string, values: PlanCommandValues): Promise<number> {
  const { findings } = reportModel(await load(file, versionChoice(values)), { ...planOptions(values), reads: true }).report
  print(findings.map(printedFinding))
  tell(findings)
  return hasErrors(findings) ? NOT_BUILDABLE : DONE
}

/** A section that a variant recolours in some of its uses is printed as derived from the one it was. */
function withOrigins(report: Report, model: ModelDocument): Report {
  const origins = new Map(model.sections.map((section) => [section.id, recolouredFrom(section)]))
  const sections = report.sections.map((section) => {
    const derivedFrom = section.derivedFrom ?? origins.get(section.id)
    return derivedFrom === undefined ? section : { ...section, derivedFrom }
  })
  return { ...report, sections }
}

function tell(findings: readonly Finding[]): void {
  for (const { severity, code, section, step, message } of findings)
    say(`${severity}: ${code}: ${section}${step === null ? '' : ` step ${step}`}: ${message}`)
}

/** Replays the printed plan by a second implementation and says what it finds. @returns whether it found nothing */
function verify(model: ModelDocument, report: Report, limits: StepLimits): boolean {
  const breaches = replay(model, JSON.parse(JSON.stringify(report)) as Report, limits)
  for (const breach of breaches) say(`replay: ${breach}`)
  if (breaches.length === 0) say('replay: every step can be built as it is printed')
  return breaches.length === 0
}
