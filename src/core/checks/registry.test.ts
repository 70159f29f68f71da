import { expect, it } from 'vitest'
import { ADVICE_IN_ENGLISH } from '../language'
import { checkOf, CHECKS, findingTitle } from './index'

it('every check has a code, a title and a sentence of its own', () => {
  const titleOf = (code: string): string => findingTitle(code, ADVICE_IN_ENGLISH)
  for (const key of ['code', 'about'] as const) expect(new Set(CHECKS.map((check) => check[key])).size).toBe(CHECKS.length)
  expect(new Set(CHECKS.map(({ code }) => titleOf(code))).size).toBe(CHECKS.length)
  for (const { code, about } of CHECKS) {
    expect(checkOf(code)?.code).toBe(code)
    expect(titleOf(code)).toMatch(/^[A-Z]/)
    expect(about).toMatch(/^[A-Z].*\.$/)
  }
  expect(checkOf('of-another-time')).toBeUndefined()
  expect(titleOf('of-another-time')).toBe('of-another-time')
})
