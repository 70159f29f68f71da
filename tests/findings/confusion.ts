import { reportModel } from '@core/pipeline'
import type { ModelDocument } from '@core/model'
import { CORPUS } from './corpus'

/** What is told of a model, each code once, in order; notes on colours aside. */
export const codesOf = (model: ModelDocument): string[] =>
  [...new Set(reportModel(model).report.findings.map(({ code }) => code))].filter((code) => code !== 'never-seen').sort()

interface Row {
  readonly code: string
  /** Models that have it and are told so; that have it and are not; that do not have it and are told so. */
  readonly found: number
  readonly missed: number
  readonly invented: number
}

/** Of each code, over the corpus. */
export function confusion(): Row[] {
  const told = CORPUS.map(({ model, codes }) => ({ codes, told: codesOf(model) }))
  const all = [...new Set(told.flatMap((each) => [...each.codes, ...each.told]))].sort()
  return all.map((code) => ({
    code,
    found: told.filter((each) => each.codes.includes(code) && each.told.includes(code)).length,
    missed: told.filter((each) => each.codes.includes(code) && !each.told.includes(code)).length,
    invented: told.filter((each) => !each.codes.includes(code) && each.told.includes(code)).length,
  }))
}
