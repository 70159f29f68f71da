import { stepCount } from '@core/plan'
import { plural } from '@core/words'
import type { Report } from '@core/pipeline'
import type { ModelDocument } from '@core/model'
import type { ShelfFacts } from './database'

export function factsOf(model: ModelDocument, report: Report): ShelfFacts {
  const count = (severity: string): number => report.findings.filter((found) => found.severity === severity).length
  return {
    parts: report.parts,
    sections: model.sections.length,
    steps: stepCount(report.sections),
    errors: count('error'),
    warnings: count('warning'),
  }
}

/** How ready a model is, in words. */
export function readiness(facts: ShelfFacts | undefined): string {
  if (!facts) return 'not looked at yet'
  if (facts.errors > 0) return `${plural(facts.errors, 'error')} to solve`
  if (facts.warnings > 0) return `can be built, ${plural(facts.warnings, 'warning')}`
  return 'ready to publish'
}
