import type { Advice, Said } from '../language'
import type { ModelDocument, Section, SectionUse } from '../model'
import type { StepLook } from '../picture'
import type { BuiltSection, SectionPlan } from '../plan'
import type { Misreading } from '../reading'
import type { Finding, Severity } from './finding'

/** What a model must stand: being looked at, or a box in a car. */
export type Level = 'home' | 'travel'

/** What a check is asked about: one planned section, and what is known around it. */
export interface Subject {
  readonly model: ModelDocument
  readonly built: BuiltSection
  /** What shows in each step; empty where nothing was drawn. */
  readonly looks: readonly StepLook[]
  /** Parts that can be misread; empty where nobody has looked for them. */
  readonly misreadings: readonly Misreading[]
  /** How often the section of the document is used. */
  readonly use: SectionUse
  /** It stands on the table as it grows; what is held in the hand does not. */
  readonly isStanding: boolean
  /** What joins it, of a unit that was made of some parts of a section. */
  readonly whole: BuiltSection | undefined
  readonly level: Level
}

/**
 * Which planned sections a check looks at: every one with steps of its own; those of the document; units, which were made of
 * some parts of one; or the finished model alone.
 */
export type Scope = 'rail' | 'section' | 'unit' | 'model'

/** What a check has found, before it has a code. */
export interface Found {
  /** Where it is: of the subject when missing. */
  readonly section?: string
  /** Number of the step; null when it concerns no single one. */
  readonly step: number | null
  readonly parts: readonly string[]
  readonly said: Said
  /** Where it is not what the check says. */
  readonly severity?: Severity
}

/** Something that can be done about a finding with one click, and undone. */
export interface WayOut {
  readonly label: Said
  readonly change: (model: ModelDocument) => ModelDocument
}

/** What a way out is asked for. */
export interface Trouble {
  readonly model: ModelDocument
  readonly finding: Finding
  /** The section of the document that the finding is about. */
  readonly section: Section
  readonly plans: readonly SectionPlan[]
  /** In which what is written into the model is said. */
  readonly advice: Advice
}

/** One thing that can be wrong with a model: how it is found, and what the program can do about it. */
export interface Check<Code extends string = string> {
  readonly code: Code
  readonly severity: Severity
  /** What it looks for, in one sentence, for the documentation. */
  readonly about: string
  readonly scope: Scope
  readonly find: (subject: Subject) => readonly Found[]
  /** None where only the designer can help. */
  readonly waysOut?: (trouble: Trouble) => readonly WayOut[]
}

/** A check as it is written down, with its code as a type of its own. */
export const defineCheck = <const Code extends string>(check: Check<Code>): Check<Code> => check
