import type { Advice, AdviceKey, Said } from '../language'

export type Severity = 'error' | 'warning' | 'note'

/** What a check reports, with the parts it is about. */
export interface Finding<Code extends string = string> {
  readonly code: Code
  readonly severity: Severity
  readonly section: string
  /** Number of the step in that section; null when it concerns no single step. */
  readonly step: number | null
  readonly parts: readonly string[]
  /** In English. */
  readonly message: string
  /** The same for other languages; missing in what an earlier version found. */
  readonly said?: Said
}

/** As it is printed for other programs. */
export const printedFinding = ({ said: _, ...finding }: Finding): Finding => finding

/** What a finding says, as a designer reads it. */
export const findingWords = ({ message, said }: Finding, advice: Advice): string => (said ? advice.say(said) : message)

/** What stands above findings of a code, which may be of a check of an earlier version. */
export const findingTitle = (code: string, advice: Advice): string => {
  const key = `title.${code}` as AdviceKey
  const title = advice.say({ key })
  return title === key ? code : title
}

export const hasErrors = (findings: readonly Finding[]): boolean => findings.some((found) => found.severity === 'error')
