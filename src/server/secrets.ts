import { createHash, randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto'
import { promisify } from 'node:util'

/** Tokens are long and drawn by chance, so a plain hash of them tells nothing; passwords are chosen by people and get a slow, salted one. */

/** 256 bits. */
export const newToken = (): string => randomBytes(32).toString('base64url')
/** 128 bits, in letters that every file system keeps apart. */
export const newId = (): string => randomBytes(16).toString('hex')

export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')

/** In a time that does not depend on where they differ. */
export const isToken = (token: string, hash: string): boolean => timingSafeEqual(Buffer.from(hashToken(token)), Buffer.from(hash))

/** scrypt (Percival 2009) as it was set when the password was given. */
export interface PasswordHash {
  readonly salt: string
  readonly hash: string
  readonly cost: number
}

/** 32 MB and about a tenth of a second a try. */
const COST = 32_768
const BYTES = 32
const slowHash = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt)
const derive = (password: string, salt: Buffer, cost: number): Promise<Buffer> =>
  slowHash(password.normalize('NFC'), salt, BYTES, { N: cost, r: 8, p: 1, maxmem: 256 * cost * 8 })

export async function hashPassword(password: string): Promise<PasswordHash> {
  const salt = randomBytes(16)
  return { salt: salt.toString('hex'), hash: (await derive(password, salt, COST)).toString('hex'), cost: COST }
}

export async function isPassword(password: string, { salt, hash, cost }: PasswordHash): Promise<boolean> {
  return timingSafeEqual(await derive(password, Buffer.from(salt, 'hex'), cost), Buffer.from(hash, 'hex'))
}
