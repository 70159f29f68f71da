import type { ComputedRef, Ref, ShallowRef } from 'vue'
import type { Proof } from '@core/plan'
import type { ModelState } from '../../workers/plan-messages'
import type { ChangesChannel } from '../storage/changes-channel'
import type { Library } from '../storage/library'
import type { PlannerLike } from '../workers/planner-client'
import type { Answer } from './command-queue'
import type { Command } from './commands'
import type { History } from './history'
import type { Offers } from './offers'
import type { Planning } from './planning'
import type { Saving } from './saving'
import type { Snapshot } from './snapshot'
import type { UnsavedWork } from './unsaved'

/** What a session stands on; tests give it other ones. */
export interface SessionOptions {
  readonly library: Library
  readonly makePlanner: () => PlannerLike
  readonly openChannel: (onChange: (id: string, revision: number) => void) => ChangesChannel
  /** Told when something happened that nobody asked for just now. */
  readonly tell: (text: string) => void
  /** Milliseconds of stillness after which the report is kept for the next opening. */
  readonly restMs?: number
}

/** One open model: everything that changes it goes through one queue, and what is shown is one snapshot. */
export interface Session {
  readonly id: string
  readonly snapshot: Readonly<ShallowRef<Snapshot | null>>
  /** Why there is no plan, or none of what was asked for last. */
  readonly problem: Readonly<Ref<string>>
  /** The report on screen comes from the store; the planner is still looking at it. */
  readonly isChecking: Readonly<Ref<boolean>>
  /** The document where there is no snapshot yet. */
  readonly state: ComputedRef<ModelState | null>
  readonly history: History
  readonly planning: Planning
  readonly offers: Offers
  readonly saving: Saving
  readonly unsaved: UnsavedWork
  run(command: Command): Promise<Answer>
  undo(): Promise<Answer>
  redo(): Promise<Answer>
  takeOffer(): Promise<Answer>
  /** Plans what is stored; tried again after a stop or a failure. */
  plan(): Promise<Answer>
  stopPlanning(): void
  /** Why each part of a step (from 0) can go in. */
  prove(section: string, step: number): Promise<Proof[]>
  /** Keeps what is shown for the next opening. */
  rest(): Promise<void>
  /** Answered when all that is typed and queued is done and written, or cannot be. */
  settle(): Promise<void>
  close(): void
}
