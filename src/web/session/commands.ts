import type { ModelDocument } from '@core/model'
import { changeBetween } from '@core/change'
import type { TellingInset } from '@core/pipeline'
import type { PlanOrder, SectionPlan } from '@core/plan'
import type { ModelState, PlanSettings } from '../../workers/plan-messages'
import type { Snapshot } from './snapshot'

/** Makes one document of another, seen through the plan that is shown. @throws Fault where it cannot; then nothing changes */
export type DocumentChange = (model: ModelDocument, plans: readonly SectionPlan[]) => ModelDocument

/** Something a person does to a model. */
export interface Command {
  /** In words that fit after "Undo": "split B 07". */
  readonly label: string
  readonly change?: DocumentChange
  readonly settings?: PlanSettings
  /** An order to show from now on. */
  readonly order?: PlanOrder
  /** Small pictures that tell where parts go. */
  readonly insets?: readonly TellingInset[]
  /** Sections whose order is laid anew. */
  readonly fresh?: 'all' | readonly string[]
  /** Not made where hands could no longer follow. */
  readonly mustBuild?: boolean
  /** Commands of one group that follow each other at once are undone as one: the letters of one text. */
  readonly group?: string
}

/** What the state would be after a command. @throws Fault */
export function stateAfterCommand({ state, report }: Snapshot, { change, settings, order, insets }: Command): ModelState {
  const model = change ? change(state.model, report.sections) : state.model
  const hasNewInsets = insets !== undefined && changeBetween(insets, state.insets ?? []) !== undefined
  if (model === state.model && !settings && !order && !hasNewInsets) return state
  return {
    ...state,
    model,
    settings: settings ?? state.settings,
    order: order ? { ...state.order, ...order } : state.order,
    ...(hasNewInsets ? { insets } : {}),
  }
}
