import type { Finding } from './finding'
import type { FindingCode } from './registry'

/** Findings that mean an edit cannot be kept: hands could not follow it. All others only warn. */
const STOPPING: ReadonlySet<string> = new Set<FindingCode>(['blocked', 'unheld', 'rests', 'lock-lost'])

/** What an edit would break: stopping findings of the new report that the old one does not have, whatever their step. */
export function brokenBy(before: readonly Finding[], after: readonly Finding[]): Finding[] {
  const key = ({ code, section, parts }: Finding): string => `${code} ${section} ${[...parts].sort().join()}`
  const known = new Set(before.map(key))
  return after.filter((found) => STOPPING.has(found.code) && !known.has(key(found)))
}
