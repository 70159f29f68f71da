/** Techniques that some builders refuse, each with the reason. */
export const TECHNIQUES = {
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
} as const
export type Technique = keyof typeof TECHNIQUES
export const TECHNIQUE_IDS = Object.keys(TECHNIQUES) as Technique[]

export type Verdict = 'allowed' | 'note' | 'warning' | 'error'
export type TechniquePolicy = Readonly<Record<Technique, Verdict>>

const all = (verdict: Verdict): TechniquePolicy =>
  Object.fromEntries(TECHNIQUE_IDS.map((id) => [id, verdict])) as unknown as TechniquePolicy

/** Nothing that strains a piece; everything that holds; and what is asked when nobody has chosen: a word of warning. */
export const TECHNIQUE_POLICIES = { pure: all('error'), relaxed: all('note'), usual: all('warning') } as const
