import { expect, it } from 'vitest'
import { hashPassword, hashToken, isPassword, isToken, newToken } from './secrets'

it('a token is told from all others by its hash', () => {
  const token = newToken()
  expect(isToken(token, hashToken(token))).toBe(true)
  expect(isToken(`${token}x`, hashToken(token))).toBe(false)
  expect(isToken('', hashToken(token))).toBe(false)
})

it('a password is known again however its accents are written, and twice the same has two hashes', async () => {
  const kept = await hashPassword('caf\u00e9')
  expect(await isPassword('cafe\u0301', kept)).toBe(true)
  expect(await isPassword('cafe', kept)).toBe(false)
  expect((await hashPassword('caf\u00e9')).hash).not.toBe(kept.hash)
})
