import { expect, it } from 'vitest'
import { checkOf, CHECKS } from './index'

it('every check has a code, a title and a sentence of its own', () => {
  for (const key of ['code', 'title', 'about'] as const) expect(new Set(CHECKS.map((check) => check[key])).size).toBe(CHECKS.length)
  for (const { code, about } of CHECKS) {
    expect(checkOf(code)?.code).toBe(code)
    expect(about).toMatch(/^[A-Z].*\.$/)
  }
  expect(checkOf('of-another-time')).toBeUndefined()
})
