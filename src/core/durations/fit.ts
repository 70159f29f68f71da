/** What makes a step long, one number each; the first is always 1. */
export type StepFeatures = readonly number[]

/** A step that somebody took with a clock. */
export interface TimedStep {
  readonly features: StepFeatures
  readonly seconds: number
}

/** Rounds of weighing what lies far off less. */
const ROUNDS = 12
/** What is further off than this, in spreads, counts less the further it is (Huber 1964, "Robust estimation of a location parameter"). */
const FAR = 1.345
/** How many timed steps weigh as much as what is taken for granted. */
const PRIOR_STEPS = 12

/**
 * Seconds by feature: robust regression drawn towards what is taken for granted, so that a few timed steps change little and many much.
 * No feature ever shortens a step.
 */
export function fitSeconds(timed: readonly TimedStep[], prior: readonly number[]): number[] {
  let fitted = [...prior]
  let weights = timed.map(() => 1)
  for (let round = 0; round < (timed.length === 0 ? 0 : ROUNDS); round++) {
    fitted = ridge(timed, weights, prior)
    const off = timed.map((step) => Math.abs(step.seconds - secondsOf(fitted, step.features)))
    const spread = Math.max(1, 1.4826 * median(off))
    weights = off.map((each) => (each <= FAR * spread ? 1 : (FAR * spread) / each))
  }
  return fitted
}

export const secondsOf = (fitted: readonly number[], features: StepFeatures): number =>
  Math.max(
    1,
    features.reduce((sum, value, i) => sum + value * fitted[i]!, 0),
  )

/** Half of the values lie below it; 0 of none. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length === 0 ? 0 : sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

/** Least weighted squares drawn towards the prior, by coordinate descent, none below 0. */
function ridge(timed: readonly TimedStep[], weights: readonly number[], prior: readonly number[]): number[] {
  const fitted = [...prior]
  for (let sweep = 0; sweep < 60; sweep++) {
    for (let f = 0; f < fitted.length; f++) {
      let [above, below] = [PRIOR_STEPS * prior[f]!, PRIOR_STEPS]
      timed.forEach(({ features, seconds }, i) => {
        const x = features[f]!
        if (x === 0) return
        const rest = features.reduce((sum, value, k) => (k === f ? sum : sum + value * fitted[k]!), 0)
        above += weights[i]! * x * (seconds - rest)
        below += weights[i]! * x * x
      })
      fitted[f] = Math.max(0, above / below)
    }
  }
  return fitted
}
