import { Option, type Command } from 'commander'
import type { ReportOptions } from '@core/pipeline'
import { DENSITIES, EFFORTS, SEED, STRATEGIES, type Density, type Effort, type Strategy } from '@core/plan'
import { wholeNumber } from '../number-option'

const keys = <Key extends string>(table: Readonly<Record<Key, unknown>>): Key[] => Object.keys(table) as Key[]

/** Most that `--max-parts` and the like may say. */
const MOST = 100

interface PlanValues {
  readonly strategy: Strategy
  readonly density: Density
  readonly maxParts?: number
  readonly maxKinds?: number
  readonly effort: Effort
  readonly seed: number
  readonly forTravel?: boolean
}

/** Options of every command that plans. */
export const withPlanOptions = (command: Command): Command =>
  command
    .addOption(new Option('--strategy <name>', 'which parts come first').choices(STRATEGIES).default('ground-up'))
    .addOption(new Option('--density <name>', 'how much a step may ask of a reader').choices(keys(DENSITIES)).default('normal'))
    .option('--max-parts <n>', 'counted parts of a step at most', wholeNumber('max-parts', 1, MOST))
    .option('--max-kinds <n>', 'kinds of a step at most', wholeNumber('max-kinds', 1, MOST))
    .addOption(new Option('--effort <name>', 'work the search may spend').choices(keys(EFFORTS)).default('normal'))
    .option('--seed <n>', 'draws other variations', wholeNumber('seed', 1, MOST), SEED)
    .option('--for-travel', 'judge joints more strictly')

/** What those options say. */
export function planOptions(values: PlanValues): ReportOptions & { readonly limits: NonNullable<ReportOptions['limits']> } {
  const { parts, kinds, inAll } = DENSITIES[values.density]
  const mostParts = values.maxParts ?? parts
  return {
    strategy: values.strategy,
    limits: { parts: mostParts, kinds: values.maxKinds ?? kinds, inAll: Math.max(inAll, mostParts) },
    level: values.forTravel === true ? 'travel' : 'home',
    effort: EFFORTS[values.effort],
    seed: values.seed,
  }
}
