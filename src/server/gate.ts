import type { FastifyRequest } from 'fastify'
import { Fault } from '@core/fault'
import { addressKey, type Limits } from './limits'
import { accessAt, momentOf, type Access, type BookletRecord } from './records'
import { isPassword, isToken } from './secrets'

/** Who is let in. */
export interface Reader {
  readonly isOwner: boolean
  /** As it is for all others. */
  readonly access: Access
}

export class Gate {
  constructor(
    private readonly limits: Limits,
    readonly now: () => number = Date.now,
  ) {}

  isOwner(request: FastifyRequest, record: BookletRecord): boolean {
    const token = bearerToken(request)
    return token !== undefined && isToken(token, record.owner)
  }

  /**
   * For what only the owner may do.
   * @throws Fault `withdrawn`, `token-needed`, `not-owner`
   */
  assertOwner(request: FastifyRequest, record: BookletRecord): void {
    if (this.isOwner(request, record)) return
    if (record.withdrawn !== undefined) throw withdrawn()
    if (bearerToken(request) === undefined)
      throw new Fault('token-needed', 'This needs the token that came when the booklet was published.')
    throw new Fault('not-owner', 'This is not the token of this booklet.')
  }

  /**
   * For what is in the booklet.
   * @throws Fault `withdrawn`, `window-closed`, `password-needed`; TooOften
   */
  async assertReader(request: FastifyRequest, record: BookletRecord): Promise<Reader> {
    const access = accessAt(record, this.now())
    const isOwner = this.isOwner(request, record)
    if (isOwner || access === 'open') return { isOwner, access }
    if (access === 'withdrawn') throw withdrawn()
    if (access === 'closed') {
      const { note } = record.window!
      throw new Fault('window-closed', `The time in which this booklet could be read is over.${note ? ` ${note}` : ''}`)
    }
    await this.assertPassword(request, record)
    return { isOwner, access }
  }

  /** Did this request bring what lets it in? Nothing is thrown, but for too many tries. */
  async mayRead(request: FastifyRequest, record: BookletRecord): Promise<boolean> {
    try {
      await this.assertReader(request, record)
      return true
    } catch (thrown) {
      if (thrown instanceof Fault && ['withdrawn', 'window-closed', 'password-needed'].includes(thrown.code)) return false
      throw thrown
    }
  }

  private async assertPassword(request: FastifyRequest, record: BookletRecord): Promise<void> {
    const tried = passwordOf(request)
    if (tried === undefined) throw new Fault('password-needed', 'This booklet is read with a password.')
    const who = `${addressKey(request.ip)}:${record.id}`
    const isRight = await this.limits.within('passwords', who, async () => {
      const result = await isPassword(tried, record.password!)
      return { result, counts: !result }
    })
    if (!isRight) throw new Fault('password-needed', 'This is not the password of this booklet.')
  }

  /** What may keep a bundle, and how long. */
  cacheControl({ window, withdrawn: gone, password }: BookletRecord, { isOwner, access }: Reader): string {
    if (gone !== undefined || access === 'closed' || (isOwner && access !== 'open')) return 'private, no-store'
    if (access === 'password') return 'private, no-cache'
    if (!window) return password ? 'private, no-cache' : 'public, max-age=31536000, immutable'
    const left = Math.max(0, Math.floor((momentOf(window.freeUntil) - this.now()) / 1000))
    return `public, max-age=${Math.min(left, 3600)}, must-revalidate`
  }
}

const withdrawn = (): Fault => new Fault('withdrawn', 'This booklet was withdrawn by its designer.')

/** @returns undefined where there is none that could be one */
export function bearerToken(request: FastifyRequest): string | undefined {
  return /^Bearer +([\w.~+/=-]{1,512})$/i.exec(request.headers.authorization ?? '')?.[1]
}

/** @throws Fault `bad-request` */
function passwordOf(request: FastifyRequest): string | undefined {
  const header = request.headers['x-booklet-password']
  if (typeof header !== 'string') return undefined
  try {
    return decodeURIComponent(header)
  } catch {
    throw new Fault('bad-request', 'The password is not written as percent-encoded UTF-8.', { place: 'X-Booklet-Password' })
  }
}
