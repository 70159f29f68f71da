import { HOLD } from '../catalogue'
import { wayIn } from '../checks'
import { ADVICE_IN_ENGLISH, type Advice, type Said, type SaidAbout } from '../language'
import type { Hold, Proof } from '../plan'
import { towardsKey } from '../words'

/** "on 4 studs of “a” and “b”, by 1 clip of “c”". */
function holdsSaid(holds: readonly Hold[]): SaidAbout {
  const sorts = [...new Set(holds.map((hold) => hold.by ?? HOLD.stud))].sort((a, b) => a - b)
  const list = sorts.map((sort): Said => {
    const these = holds.filter((hold) => (hold.by ?? HOLD.stud) === sort)
    const held: Said = { key: `hold.${sort}`, n: these.reduce((sum, hold) => sum + hold.studs, 0) }
    return { key: sort === HOLD.stud ? 'proof.on' : 'proof.by', about: { held, parts: { parts: these.map((hold) => hold.id) } } }
  })
  return { list, by: ', ' }
}

/** A proof as a builder would say it: "Goes in from above; holds on 4 studs of “a” and “b”; comes before “roof”." */
export function proofWords(proof: Proof, { say }: Advice = ADVICE_IN_ENGLISH): string {
  const way = wayIn(proof.from)
  const clauses: Said[] = [
    proof.press === undefined
      ? { key: 'proof.goesIn', about: { way } }
      : { key: 'proof.pressed', about: { way, towards: { word: towardsKey(proof.press) } } },
    proof.rests ? { key: 'proof.rests' } : { key: 'proof.holds', about: { holds: holdsSaid(proof.holds) } },
  ]
  const others = proof.waitedFor.filter((id) => !proof.holds.some((hold) => hold.id === id))
  if (others.length > 0) clauses.push({ key: 'proof.after', about: { parts: { parts: others } } })
  if (proof.mustPrecede.length > 0) clauses.push({ key: 'proof.before', about: { parts: { parts: proof.mustPrecede } } })
  return say({ key: 'proof.sentence', about: { clauses: { list: clauses, by: '; ' } } })
}
