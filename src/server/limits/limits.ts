import { Fault } from '@core/fault'

/** Limits: how often one address may do something. */

/** So many times in so long. */
export interface Limit {
  readonly most: number
  readonly windowMs: number
  /** What there was too much of, in words that fit after "Too many". */
  readonly what: string
}

/** Counts events by key; the count of a key begins anew a while after its first event. */
export interface Counter {
  /** @returns how often, with this one, and after how long the count begins anew, ms */
  count(key: string, windowMs: number): Promise<{ count: number; leftMs: number }>
  /** Takes one event back. */
  uncount(key: string): Promise<void>
  close(): Promise<void>
}

const HOUR_MS = 3600 * 1000
export const LIMITS_BY_ADDRESS = {
  publish: { most: 60, windowMs: HOUR_MS, what: 'booklets were published' },
  questions: { most: 60, windowMs: HOUR_MS, what: 'questions were asked' },
  passwords: { most: 20, windowMs: HOUR_MS / 4, what: 'wrong passwords were tried' },
  practice: { most: 300, windowMs: HOUR_MS, what: 'prices were asked for' },
} as const satisfies Record<string, Limit>
export type LimitName = keyof typeof LIMITS_BY_ADDRESS

/** Refused for now: also says after how many seconds it may be tried again. */
export class TooOften extends Fault {
  constructor(
    { what }: Limit,
    readonly retryAfter: number,
  ) {
    const minutes = Math.ceil(retryAfter / 60)
    super('too-often', `Too many ${what} from this address.`, {
      wayOut: `Try again in ${minutes === 1 ? 'a minute' : `${minutes} minutes`}.`,
    })
  }
}

/** Counts before the work, and takes it back where it came to nothing: whoever asks a hundred times at once gets no more than one after another. */
export class Limits {
  constructor(
    private readonly counter: Counter,
    private readonly limits: Readonly<Record<LimitName, Limit>> = LIMITS_BY_ADDRESS,
  ) {}

  /**
   * @param act says whether what it did counts
   * @throws TooOften
   */
  async within<T>(name: LimitName, who: string, act: () => Promise<{ result: T; counts: boolean }>): Promise<T> {
    const limit = this.limits[name]
    const key = `${name}:${who}`
    const { count, leftMs } = await this.counter.count(key, limit.windowMs)
    if (count > limit.most) {
      await this.counter.uncount(key)
      throw new TooOften(limit, Math.max(1, Math.ceil(leftMs / 1000)))
    }
    try {
      const { result, counts } = await act()
      if (!counts) await this.counter.uncount(key)
      return result
    } catch (thrown) {
      await this.counter.uncount(key)
      throw thrown
    }
  }

  close(): Promise<void> {
    return this.counter.close()
  }
}

/** An address as it is counted: of the longer kind the half that a household has to itself. */
export function addressKey(ip: string): string {
  const plain = ip.replace(/^::ffff:(?=\d+\.)/i, '')
  if (!plain.includes(':')) return plain
  const [head = '', tail = ''] = plain.toLowerCase().split('::')
  const front = head.split(':').filter(Boolean)
  const back = tail.split(':').filter(Boolean)
  const groups = plain.includes('::') ? [...front, ...Array<string>(Math.max(0, 8 - front.length - back.length)).fill('0'), ...back] : front
  return `${groups
    .slice(0, 4)
    .map((group) => group.replace(/^0+(?=.)/, ''))
    .join(':')}::/64`
}
