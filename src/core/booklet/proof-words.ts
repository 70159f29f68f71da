import { nameParts, wayInWords } from '../checks'
import type { Proof } from '../plan'

const PRESSED = ['to the right', 'to the left', 'backward', 'forward', 'upward', 'downward'] as const

/** A proof as a builder would say it: "Goes in from above; holds on 4 studs of “a” and “b”; comes before “roof”." */
export function proofWords(proof: Proof): string {
  const words = [
    `Goes in ${wayInWords(proof.from)}${proof.press === undefined ? '' : `, a stud’s height off its place, then is pressed home ${PRESSED[proof.press]}`}`,
  ]
  const studs = proof.holds.reduce((sum, hold) => sum + hold.studs, 0)
  if (proof.rests) words.push('rests on the table until something holds it')
  else words.push(`holds on ${studs} ${studs === 1 ? 'stud' : 'studs'} of ${nameParts(proof.holds.map((hold) => hold.id))}`)
  const others = proof.waitedFor.filter((id) => !proof.holds.some((hold) => hold.id === id))
  if (others.length > 0) words.push(`comes after ${nameParts(others)}`)
  if (proof.mustPrecede.length > 0) words.push(`must come before ${nameParts(proof.mustPrecede)}`)
  return `${words.join('; ')}.`
}
