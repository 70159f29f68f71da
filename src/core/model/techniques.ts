/** Techniques that some builders refuse. */
export const TECHNIQUE_IDS = ['stud-in-hole', 'plate-between-studs', 'slopes-nose-to-nose', 'off-the-lattice'] as const
export type Technique = (typeof TECHNIQUE_IDS)[number]

export const VERDICTS = ['allowed', 'note', 'warning', 'error'] as const
export type Verdict = (typeof VERDICTS)[number]
export type TechniquePolicy = Readonly<Record<Technique, Verdict>>

const all = (verdict: Verdict): TechniquePolicy =>
  Object.fromEntries(TECHNIQUE_IDS.map((id) => [id, verdict])) as unknown as TechniquePolicy

/** Nothing that strains a piece; everything that holds; and what is asked when nobody has chosen: a word of warning. */
export const TECHNIQUE_POLICIES = { pure: all('error'), relaxed: all('note'), usual: all('warning') } as const
export type PolicyName = keyof typeof TECHNIQUE_POLICIES

/** What a document says of techniques: a policy by its name, or verdicts one by one; what is not said is as usual. */
export type ToldTechniques = PolicyName | Partial<TechniquePolicy>

/** A document as far as it says anything of techniques. */
interface WithTechniques {
  readonly techniques?: ToldTechniques
}

const policyOf = (told: ToldTechniques = 'usual'): TechniquePolicy =>
  typeof told === 'string' ? TECHNIQUE_POLICIES[told] : { ...TECHNIQUE_POLICIES.usual, ...told }

/** What is made of each technique in a model. */
export const techniquesOf = ({ techniques }: WithTechniques): TechniquePolicy => policyOf(techniques)

const HOLDING: ReadonlySet<Verdict> = new Set(['allowed', 'note'])

/** Whether plates on edge are held by the studs on both their sides: where the designer lets that pass, it counts as a joint. */
export const holdsPressed = (model: WithTechniques): boolean => HOLDING.has(techniquesOf(model)['plate-between-studs'])
