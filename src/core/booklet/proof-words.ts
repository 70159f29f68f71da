import { HOLD, HOLD_WORDS } from '../catalogue'
import { nameParts, wayInWords } from '../checks'
import type { Hold, Proof } from '../plan'
import { towardsWords } from '../words'

/** "on 4 studs of “a” and “b”, by 1 clip of “c”". */
function holdWords(holds: readonly Hold[]): string {
  const sorts = [...new Set(holds.map((hold) => hold.by ?? HOLD.stud))].sort((a, b) => a - b)
  return sorts
    .map((sort) => {
      const these = holds.filter((hold) => (hold.by ?? HOLD.stud) === sort)
      const count = these.reduce((sum, hold) => sum + hold.studs, 0)
      const [one, many] = HOLD_WORDS[sort]!
      return `${sort === HOLD.stud ? 'on' : 'by'} ${count} ${count === 1 ? one : many} of ${nameParts(these.map((hold) => hold.id))}`
    })
    .join(', ')
}

/** A proof as a builder would say it: "Goes in from above; holds on 4 studs of “a” and “b”; comes before “roof”." */
export function proofWords(proof: Proof): string {
  const words = [
    `Goes in ${wayInWords(proof.from)}${proof.press === undefined ? '' : `, a stud’s height off its place, then is pressed home ${towardsWords(proof.press)}`}`,
  ]
  if (proof.rests) words.push('rests on the table until something holds it')
  else words.push(`holds ${holdWords(proof.holds)}`)
  const others = proof.waitedFor.filter((id) => !proof.holds.some((hold) => hold.id === id))
  if (others.length > 0) words.push(`comes after ${nameParts(others)}`)
  if (proof.mustPrecede.length > 0) words.push(`must come before ${nameParts(proof.mustPrecede)}`)
  return `${words.join('; ')}.`
}
