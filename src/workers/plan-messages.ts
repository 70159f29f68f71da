import { memo } from '@core/memo'
import type { BagStart } from '@core/bags'
import type { BookletSource } from '@core/booklet'
import type { Change } from '@core/change'
import type { Finding, Level } from '@core/checks'
import type { PlanWorth, Report, ShownInset, TellingInset } from '@core/pipeline'
import type { PlainFault } from '@core/fault'
import type { ReadFile, ReadOptions, Remark } from '@core/formats'
import { coloursOf, inventoryOf, total } from '@core/count'
import {
  buildingOrder,
  choiceWithin,
  copiesOf,
  documentOfVersion,
  isLoose,
  partsOf,
  sectionById,
  sectionUses,
  type ModelDocument,
  type TechniquePolicy,
  type VersionChoice,
} from '@core/model'
import {
  DENSITIES,
  EFFORTS,
  orderFrom,
  withNumbers,
  type Density,
  type Effort,
  type Move,
  type PlainSection,
  type PlanOrder,
  type Strategy,
} from '@core/plan'

/** How a designer wants the steps laid. */
export interface PlanSettings {
  readonly strategy: Strategy
  readonly density: Density
  /** How long to look for a better order. */
  readonly effort: Effort
  /** What the finished model must stand. */
  readonly level: Level
  /** What an earlier version of the program kept here; it wins over what the document says of techniques. */
  readonly techniques?: TechniquePolicy
  /** Which version of the model is shown; as its options say when missing. */
  readonly version?: VersionChoice
}

export const USUAL_SETTINGS: PlanSettings = { strategy: 'ground-up', density: 'normal', effort: 'normal', level: 'home' }

/** All that a designer decides, and the order last shown: what is stored, undone and sent to be planned. */
export interface ModelState {
  readonly model: ModelDocument
  readonly settings: PlanSettings
  readonly order: PlanOrder
  /** Small pictures that tell where parts go, as the last reading of the pictures gave them. */
  readonly insets?: readonly TellingInset[]
}

/** A model that nobody has decided anything of. */
export const newState = (model: ModelDocument): ModelState => ({ model, settings: USUAL_SETTINGS, order: {} })

/** A report as it goes between threads and into the store: plain, without step numbers, with what the pictures need. */
export interface Printed extends Omit<Report, 'sections'> {
  readonly sections: readonly PlainSection[]
  readonly views: readonly (readonly number[])[]
  readonly insets: readonly ShownInset[]
  /** Where bags begin, where the designer asks for bags. */
  readonly bags?: readonly BagStart[]
  /** Sections whose order is kept. */
  readonly kept: readonly string[]
}

/** Versions count up as states are shown; the worker knows the last accepted one and the one it was asked for last. */
export interface PlanRequest {
  readonly base: number
  readonly version: number
  /** From the base's state. */
  readonly change: Change | undefined
  /** Sections whose kept order is forgotten. */
  readonly fresh?: 'all' | readonly string[]
}

/** What came of the base's printed report. */
export type PlanAnswer = { readonly change: Change | undefined } | { readonly fault: PlainFault }
/** A whole report, as bytes of JSON. */
export type OpenAnswer = { readonly printed: Uint8Array<ArrayBuffer> } | { readonly fault: PlainFault }

/** What one strategy would make of the model. */
export interface Comparison {
  readonly strategy: Strategy
  readonly steps: number
  readonly measures: Report['measures']
  readonly errors: number
}

/** What a look at all pictures has found: parts that can be misread, and how many that are of a hundred. */
export interface PictureReading {
  readonly findings: readonly Finding[]
  readonly per100: number
  /** Small pictures with which they are no more than that. */
  readonly insets: readonly TellingInset[]
}

/** A better order that was found, and what it is better by. */
export interface FoundOrder {
  readonly printed: Uint8Array<ArrayBuffer>
  readonly worth: PlanWorth
}

/** A model that was read from a file, before anything is stored: what was understood, and what a painter needs to show it. */
export interface ReadPreview {
  readonly name: string
  /** The state as bytes of JSON, as it is stored. */
  readonly bytes: Uint8Array<ArrayBuffer>
  readonly model: Uint8Array<ArrayBuffer>
  readonly printed: Uint8Array<ArrayBuffer>
  readonly root: string
  readonly parts: number
  readonly sections: number
  readonly hasPlaces: boolean
  readonly report: ReadFile['report']
  readonly remarks: readonly Remark[]
}

/** What a person says of a file, as it goes between threads. */
export type ReadChoices = Omit<ReadOptions, 'onProgress'>

export type ReadAnswer = ReadPreview | { readonly fault: PlainFault }

/** One model of a backup: its state as bytes of JSON. */
export interface BackupEntry {
  readonly name: string
  readonly parts: number
  readonly bytes: Uint8Array<ArrayBuffer>
}

/** A backup as it was read, before anything of it is stored. */
export interface BackupPreview {
  readonly made: string
  readonly models: readonly BackupEntry[]
  readonly names?: string
  readonly settings?: unknown
}

export type BackupAnswer = BackupPreview | { readonly fault: PlainFault }

/** What goes into a backup: states as bytes of JSON. */
export interface BackupOrder {
  readonly made: string
  readonly states: readonly Uint8Array<ArrayBuffer>[]
  readonly names: string
  readonly settings: unknown
}

const encoder = new TextEncoder()
const decoder = new TextDecoder()

/** Bytes of JSON go between threads and into the store at the price of a copy; objects are taken apart one by one. */
export const toBytes = (value: unknown): Uint8Array<ArrayBuffer> => encoder.encode(JSON.stringify(value))
export const fromBytes = <Value>(bytes: Uint8Array): Value => JSON.parse(decoder.decode(bytes)) as Value

/**
 * A model before anything is planned: each section as one step that brings all of it. Enough to count it and to paint it
 * finished, while its steps are laid.
 */
export function unplanned(state: ModelState): Printed {
  const model = shownModel(state)
  const uses = sectionUses(model)
  const inventory = inventoryOf(model)
  const sections = buildingOrder(model).map((id): PlainSection => {
    const section = sectionById(model, id)
    const parts = partsOf(section).filter((part) => !isLoose(part))
    const copies = copiesOf(section).map((copy): Move => ({ copy: copy.id, direction: '-z' }))
    const moves: Move[] = [...(parts.length > 0 ? [{ parts: parts.map((part) => part.id), direction: '-z' as const }] : []), ...copies]
    return { id, name: section.name, ...uses.get(id)!, parts: parts.length, steps: [{ moves, callout: [], rests: [] }] }
  })
  const measures = { stepsPer100: 0, meanJump: 0, poorlyVisible: 0, turnsPer100: 0, likeTogether: 1, viewChangesPer100: 0, pictureFill: 0 }
  const counts = { parts: total(inventory), inventory, colours: coloursOf(inventory) }
  return { name: model.name, ...counts, sections, measures, findings: [], views: [], insets: [], kept: [] }
}

/** The report as screens and checks read it; what is unchanged stays the same object. */
export const reportFrom = memo((printed: Printed): Report => {
  const { name, parts, inventory, colours, measures, findings } = printed
  return { name, parts, sections: withNumbers(printed.sections), inventory, colours, measures, findings }
})

/** The state after a plan: the order is the one that is shown now. */
export const stateAfter = (asked: ModelState, printed: Printed): ModelState => ({
  ...asked,
  order: orderFrom(reportFrom(printed).sections, printed.kept),
})

/** The document of the version that is shown: what is planned, painted and printed. The state holds all versions. */
export const shownModel = memo(({ model, settings }: ModelState): ModelDocument => {
  const { version = {}, techniques } = settings
  const shown = documentOfVersion(model, choiceWithin(model, version))
  return techniques ? { ...shown, techniques } : shown
})

/** The same settings as the core takes them. */
export const optionsOf = ({ strategy, density, effort, level }: PlanSettings) => ({
  level,
  strategy,
  limits: DENSITIES[density],
  effort: EFFORTS[effort],
})

/** What is kept of what was shown before: the order, and what a reading gave. */
export const keptOf = ({ order, insets }: Pick<ModelState, 'order' | 'insets'>) => ({ kept: order, ...(insets ? { insets } : {}) })

/** What a painter is told of a snapshot. */
export interface Drawn {
  readonly model: ModelDocument
  readonly printed: Printed
}

/** What booklets and pictures are made from. */
export const sourceOf = (model: ModelDocument, printed: Printed): BookletSource => ({
  model,
  plan: reportFrom(printed),
  views: printed.views,
  insets: printed.insets,
  ...(printed.bags ? { bags: printed.bags } : {}),
})
