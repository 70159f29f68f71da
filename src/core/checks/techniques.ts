import type { Technique } from '../model'

/** Techniques that some builders refuse, each with the reason. */
export const TECHNIQUES: Readonly<Record<Technique, { readonly title: string; readonly reason: string }>> = {
  'stud-in-hole': {
    title: 'A stud pressed into a pin hole',
    reason: 'The hole is a little narrower than a socket: the stud is squeezed, and the wall of the hole may crack in time.',
  },
  'plate-between-studs': {
    title: 'A plate on edge between studs',
    reason: 'Nothing holds it but the pressure of the studs on both its sides, and both are bent a little.',
  },
  'slopes-nose-to-nose': {
    title: 'Low slopes nose to nose',
    reason: 'Their noses are a little longer than half a stud each, so the row that carries them is pushed apart.',
  },
  'off-the-lattice': {
    title: 'A joint that does not quite meet',
    reason: 'The places of the two connectors differ, and the parts between them bend to make up for it.',
  },
}
