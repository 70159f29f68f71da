import type { SectionPlan } from '../plan'

/** A step of a proof build: built with a clock, and what went wrong at it. */
export interface ProofStep {
  readonly section: string
  /** From 1. */
  readonly step: number
  readonly seconds: number
  readonly mistakes: number
  /** Pieces that were not there, and such as were left over. */
  readonly missing: number
  readonly left: number
  readonly note: string
  /** How often it was gone back to. */
  readonly backs: number
}

/** A draft built once from its own instructions, with a clock. */
export interface ProofRun {
  /** When it began, ISO. */
  readonly date: string
  readonly steps: readonly ProofStep[]
}

/** How long a proof build took, s. */
export const secondsOfRun = ({ steps }: ProofRun): number => steps.reduce((sum, { seconds }) => sum + seconds, 0)

/** A step of a plan, in the order in which it is built. */
export interface StepOfRow {
  readonly section: string
  /** From 1. */
  readonly step: number
}

/** What is counted at a step by a key or a button. */
export type Counted = 'mistakes' | 'missing' | 'left'

/** All steps of the sections that are built, each once. */
export const rowOfSteps = (sections: readonly SectionPlan[]): StepOfRow[] =>
  sections
    .filter(({ times, mirrored }) => times + mirrored > 0)
    .flatMap(({ id, steps }) => steps.map(({ number }) => ({ section: id, step: number })))

const isAt = (step: StepOfRow, { section, step: number }: StepOfRow): boolean => step.section === section && step.step === number

const untouched = ({ section, step }: StepOfRow): ProofStep => ({
  section,
  step,
  seconds: 0,
  mistakes: 0,
  missing: 0,
  left: 0,
  note: '',
  backs: 0,
})

/** What is known of a step in a run. */
export const stepOfRun = (run: ProofRun, at: StepOfRow): ProofStep => run.steps.find((step) => isAt(step, at)) ?? untouched(at)

/** The run with a step changed; it comes at the end where it was not built before. */
export function withStep(run: ProofRun, at: StepOfRow, change: (step: ProofStep) => ProofStep): ProofRun {
  const next = change(stepOfRun(run, at))
  const isKnown = run.steps.some((step) => isAt(step, at))
  return { ...run, steps: isKnown ? run.steps.map((step) => (isAt(step, at) ? next : step)) : [...run.steps, next] }
}

/** Where a run goes on: at the first step of the row that is not built. */
export function firstUnbuilt(run: ProofRun, row: readonly StepOfRow[]): number {
  const at = row.findIndex((step) => !run.steps.some((known) => isAt(known, step)))
  return at < 0 ? Math.max(0, row.length - 1) : at
}

/** "1:05", "1:01:05". @param seconds rounded down */
export function clockWords(seconds: number): string {
  const whole = Math.max(0, Math.floor(seconds))
  const two = (value: number): string => String(value).padStart(2, '0')
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60]
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`
}
