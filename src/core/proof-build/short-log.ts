import { plural } from '../words'
import type { ProofRun, ProofStep } from './run'

/**
 * A proof build in a line of a letter: "[build 1 2026-11-30T08:00:00.000Z main:42,30m1b2,7-8;tail:5n%22hard%22]": by section, of each
 * step its number where it does not follow the one before, the seconds, mistakes `m`, missing pieces `f`, pieces left over `l`, how often it was gone back to `b`, and what
 * was noted, percent-encoded, `n`.
 */
const LINE = /\[build 1 ([\dTZ:.-]{10,40}) ([^\]]*)\]/
const STEP = /^(?:(\d{1,6})-)?(\d{1,6})(?:m(\d{1,5}))?(?:f(\d{1,5}))?(?:l(\d{1,5}))?(?:b(\d{1,5}))?(?:n(.*))?$/

/** What encodeURIComponent leaves and the line uses itself. */
const encoded = (text: string): string =>
  encodeURIComponent(text).replace(/[!'()*~.-]/g, (letter) => `%${letter.charCodeAt(0).toString(16)}`)

export function shortLog({ date, steps }: ProofRun): string {
  const sections = new Map<string, ProofStep[]>()
  for (const step of steps) sections.set(step.section, [...(sections.get(step.section) ?? []), step])
  const texts = [...sections].map(([section, own]) => {
    const lines = own.map((step, i) => `${step.step === (own[i - 1]?.step ?? 0) + 1 ? '' : `${step.step}-`}${stepText(step)}`)
    return `${encoded(section)}:${lines.join(',')}`
  })
  return `[build 1 ${date} ${texts.join(';')}]`
}

function stepText({ seconds, mistakes, missing, left, backs, note }: ProofStep): string {
  const counted = (letter: string, count: number): string => (count > 0 ? `${letter}${count}` : '')
  const said = note === '' ? '' : `n${encoded(note)}`
  return `${Math.round(seconds)}${counted('m', mistakes)}${counted('f', missing)}${counted('l', left)}${counted('b', backs)}${said}`
}

/** What a letter may hold, less what is said before its line. */
const LONGEST = 3600

/** A proof build for its designer: in words, and as a line that the program reads. Undefined where it would be too long for a letter. */
export function proofLetter(run: ProofRun): string | undefined {
  const line = shortLog(run)
  if (line.length > LONGEST) return undefined
  const wrong = run.steps.filter(({ mistakes, missing, left }) => mistakes + missing + left > 0).length
  const went = wrong === 0 ? 'nothing went wrong' : `something went wrong at ${plural(wrong, 'step')}`
  return `Built with a clock: ${plural(run.steps.length, 'step')}, ${went}.\n\n${line}`
}

/** The proof build that a letter carries; undefined where it carries none that can be read. */
export function readShortLog(text: string): ProofRun | undefined {
  const found = LINE.exec(text)
  if (!found || Number.isNaN(Date.parse(found[1]!))) return undefined
  try {
    const steps = found[2]!.split(';').flatMap((part) => {
      const [section, lines] = part.split(':')
      let last = 0
      return (lines ?? '').split(',').map((line) => {
        const step = stepIn(decodeURIComponent(section!), line, last + 1)
        last = step?.step ?? last
        return step
      })
    })
    return steps.every((step) => step !== undefined) ? { date: found[1]!, steps } : undefined
  } catch {
    // What is percent-encoded wrongly.
    return undefined
  }
}

/** The letter without the line that carries a proof build. */
export const withoutShortLog = (text: string): string => text.replace(LINE, '').trim()

/** @param usual the number of a step that does not say it */
function stepIn(section: string, line: string, usual: number): ProofStep | undefined {
  const found = STEP.exec(line)
  const step = Number(found?.[1] ?? usual)
  if (!found || section === '' || step < 1) return undefined
  const count = (at: number): number => Number(found[at] ?? 0)
  return {
    section,
    step,
    seconds: count(2),
    mistakes: count(3),
    missing: count(4),
    left: count(5),
    backs: count(6),
    note: decodeURIComponent(found[7] ?? ''),
  }
}
