/** A step as it is weighed before it is read. */
export interface StepToRead {
  readonly step: number
  /** How many parts it brings that can be misread at all. */
  readonly parts: number
  /** Dots that show of the part of it that shows least. */
  readonly leastDots: number
}

/** Which steps are read. */
export interface ReadSteps {
  /** In ascending order. */
  readonly steps: readonly number[]
  /** Those of them that stand for all that are not read. */
  readonly samples: ReadonlySet<number>
  /** Parts of these samples, and of steps that are not read. */
  readonly sampledParts: number
  readonly unreadParts: number
}

/** Of what may be read so much goes to samples. */
const SAMPLED = 0.25

/**
 * Chooses steps to read where all would take too long: first those in which something shows least, since they are misread first; of the
 * rest some at equal distances, from which it is judged how the rest reads (stratified sampling, Neyman 1934).
 *
 * @param most parts that are read at most
 */
export function chooseSteps(all: readonly StepToRead[], most: number): ReadSteps {
  const parts = (steps: readonly StepToRead[]): number => steps.reduce((sum, step) => sum + step.parts, 0)
  if (parts(all) <= most) return { steps: all.map(({ step }) => step), samples: new Set(), sampledParts: 0, unreadParts: 0 }
  const byDots = [...all].sort((a, b) => a.leastDots - b.leastDots || a.step - b.step)
  const [first, rest] = splitAt(byDots, most * (1 - SAMPLED))
  const stride = Math.max(1, Math.ceil(parts(rest) / (most * SAMPLED)))
  const samples = rest.filter((_, i) => i % stride === 0)
  return {
    steps: [...first, ...samples].map(({ step }) => step).sort((a, b) => a - b),
    samples: new Set(samples.map(({ step }) => step)),
    sampledParts: parts(samples),
    unreadParts: parts(rest) - parts(samples),
  }
}

/** The first steps with at most so many parts, and the others. */
function splitAt(steps: readonly StepToRead[], most: number): [StepToRead[], StepToRead[]] {
  let sum = 0
  let end = 0
  while (end < steps.length && sum + steps[end]!.parts <= most) sum += steps[end++]!.parts
  return [steps.slice(0, end), steps.slice(end)]
}
