import { faultLine, type FaultCode, type PlainFault } from '@core/fault'
import { say, saidFault, screenLanguage } from './screen-words'

/** Codes of which the sentence of the code says all. */
const WHOLE: ReadonlySet<string> = new Set<FaultCode>([
  'changed-elsewhere',
  'closed',
  'many-backups',
  'no-demo',
  'no-plan',
  'no-server',
  'password-needed',
  'stopped',
  'too-often',
  'too-slow',
  'withdrawn',
  'worker-died',
])

/**
 * Why something was refused or failed. Sentences of faults name what they met, and are English; in another language the sentence of
 * the code comes first, and the exact one where it says more.
 */
export function faultText(fault: PlainFault): string {
  if (screenLanguage() === 'en') return faultLine(fault)
  const general = saidFault(fault.code)
  const line = faultLine(fault)
  if (general === undefined) return line
  return WHOLE.has(fault.code) ? general : `${general} ${say('fault.exactly', { line })}`
}
