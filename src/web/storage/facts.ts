import { stepCount } from '@core/plan'

import type { Report } from '@core/pipeline'
import type { ModelDocument } from '@core/model'
import { say, sayCount } from '../language'
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
  if (!facts) return say('storage.notLookedAtYet')
  if (facts.errors > 0) return say('storage.toSolve', { errors: sayCount('count.errors', facts.errors) })
  if (facts.warnings > 0) return say('storage.canBeBuilt', { warnings: sayCount('count.warnings', facts.warnings) })
  return say('storage.readyToPublish')
}
