import { InvalidArgumentError, type Command } from 'commander'
import {
  TECHNIQUE_IDS,
  TECHNIQUE_POLICIES,
  VERDICTS,
  type PolicyName,
  type Technique,
  type ToldTechniques,
  type Verdict,
} from '@core/model'
import type { LoadChoice } from '../files'

interface VersionValues {
  readonly variant?: string
  readonly with?: string
  readonly without?: string
  readonly techniques?: ToldTechniques
}

const POLICIES = Object.keys(TECHNIQUE_POLICIES) as PolicyName[]

/** A policy by its name, or "stud-in-hole=error,plate-between-studs=allowed". @throws InvalidArgumentError */
function toldTechniques(text: string): ToldTechniques {
  const name = POLICIES.find((policy) => policy === text)
  if (name) return name
  const told: Partial<Record<Technique, Verdict>> = {}
  for (const each of text.split(',')) {
    const [id, verdict] = each.split('=')
    const technique = TECHNIQUE_IDS.find((known) => known === id)
    const known = VERDICTS.find((word) => word === verdict)
    if (!technique || !known) {
      const wanted = `${POLICIES.join(', ')}, or one of ${TECHNIQUE_IDS.join(', ')} with “=” and ${VERDICTS.join(', ')}`
      throw new InvalidArgumentError(`“${each}” is no policy: ${wanted}.`)
    }
    told[technique] = known
  }
  return told
}

/** Options of every command that looks at one version of a model. */
export const withVersionOptions = (command: Command): Command =>
  command
    .option('--variant <id>', 'a variant of the model')
    .option('--with <ids>', 'options that are in: "caps,lamp"')
    .option('--without <ids>', 'options that are not')
    .option(
      '--techniques <policy>',
      `what is made of techniques that strain a piece: ${POLICIES.join(', ')}, or one by one: “plate-between-studs=allowed”`,
      toldTechniques,
    )

const ids = (text: string): string[] => text.split(',').filter((id) => id !== '')

/** What those options say. */
export const versionChoice = (values: VersionValues): LoadChoice => ({
  ...(values.techniques === undefined ? {} : { techniques: values.techniques }),
  ...(values.variant === undefined ? {} : { variant: values.variant }),
  ...(values.with === undefined ? {} : { with: ids(values.with) }),
  ...(values.without === undefined ? {} : { without: ids(values.without) }),
})
