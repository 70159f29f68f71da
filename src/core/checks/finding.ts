export type Severity = 'error' | 'warning' | 'note'

/** What a check reports, with the parts it is about. */
export interface Finding<Code extends string = string> {
  readonly code: Code
  readonly severity: Severity
  readonly section: string
  /** Number of the step in that section; null when it concerns no single step. */
  readonly step: number | null
  readonly parts: readonly string[]
  readonly message: string
}

export const hasErrors = (findings: readonly Finding[]): boolean => findings.some((found) => found.severity === 'error')
