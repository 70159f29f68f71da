import type { Walk } from '@core/booklet'
import type { Finding } from '@core/checks'
import type { Snapshot } from '../session/snapshot'

/** Arrow keys on the rail. */
export const WALKS: Readonly<Record<string, Walk>> = {
  ArrowRight: 'next',
  ArrowLeft: 'before',
  ArrowUp: 'up',
  ArrowDown: 'down',
  Home: 'first',
  End: 'last',
}

/** How bad the worst finding of a step is, and how many there are. */
export interface RailMark {
  readonly worst: Finding['severity']
  readonly count: number
}

/** Marks by "section/step from 1"; findings come with the worst first. */
export function marksOf(findings: readonly Finding[]): Map<string, RailMark> {
  const marks = new Map<string, RailMark>()
  for (const { section, step, severity } of findings) {
    const key = `${section}/${step ?? 1}`
    const known = marks.get(key)
    marks.set(key, { worst: known?.worst ?? severity, count: (known?.count ?? 0) + 1 })
  }
  return marks
}

/** Locked steps, by "section/step from 0"; only sections with locks are looked through. */
export function lockedSteps({ model, report, pages }: Snapshot): Set<string> {
  const withLocks = new Set(model.sections.filter(({ steps }) => steps?.some((step) => step.locked === true)).map(({ id }) => id))
  return new Set(
    report.sections
      .filter(({ id }) => withLocks.has(id))
      .flatMap(({ id, steps }) => steps.flatMap((_, step) => (pages.stepPage(id, step)?.locked === true ? [`${id}/${step}`] : []))),
  )
}
