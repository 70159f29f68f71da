import { computed, ref, shallowRef, type ShallowRef } from 'vue'
import { applyChange, changeBetween, type Change as PlainChange } from '@core/change'
import { faultText, say } from '../language'
import { storedChange } from './stored-change'
import { Fault, plainFault } from '@core/fault'
import type { Proof } from '@core/plan'
import { toBytes, type ModelState } from '../../workers/plan-messages'
import { nextTask } from '../shared/next-task'
import type { ChangesChannel } from '../storage/changes-channel'
import { factsOf } from '../storage/facts'
import type { Library, OpenedModel, Saved } from '../storage/library'
import type { PlannerLike } from '../workers/planner-client'
import { createCommandQueue, type Answer } from './command-queue'
import { stateAfterCommand, type Command } from './commands'
import { createHistory, type HistoryEntry } from './history'
import { createOffers, type Offers } from './offers'
import { createPlanning, type Planning } from './planning'
import { createSaving, type Saving, type SaveTask } from './saving'
import { whatBreaks, type Snapshot } from './snapshot'
import { createUnsavedWork, type UnsavedWork } from './unsaved'

import type { Session, SessionOptions } from './session-api'

const DONE: Answer = { kind: 'done' }
const UNCHANGED: Answer = { kind: 'unchanged' }
const REST_MS = 1500
/** How often what another tab saved is tried to be shown: a planner may die under it. */
const REFRESHES = 4
/** Texts that follow each other at most so long after are one change. */
const GROUP_MS = 30_000

/** One open model, from the moment it is read from the store. */
export class ModelSession implements Session {
  readonly id: string
  readonly snapshot = shallowRef<Snapshot | null>(null)
  readonly problem = ref('')
  readonly isChecking = ref(false)
  readonly history = createHistory()
  readonly planning: Planning
  readonly offers: Offers
  readonly saving: Saving
  readonly unsaved: UnsavedWork
  private readonly library: Library
  private readonly tell: (text: string) => void
  private readonly stored: ShallowRef<ModelState>
  readonly state = computed(() => this.stored.value)
  private readonly queue = createCommandQueue()
  private readonly planner: PlannerLike
  private readonly channel: ChangesChannel
  /** Commands under way that change something: planning alone is nothing that could be lost. */
  private readonly changing = ref(0)
  private isClosed = false
  /** The order that is shown stands in the store, or in changes after it. */
  private isOrderStored = true
  /** What is shown is written down, or on its way. */
  private isNoted = true
  private resting: ReturnType<typeof setTimeout> | undefined
  /** The last command and the state before it, for texts typed on. */
  private last: { readonly command: Command; readonly before: ModelState; readonly at: number } | undefined
  /** Commands that are made but not written, by the change that is to be written: another tab may come first. */
  private readonly unwritten = new Map<SaveTask, Command>()

  constructor(
    private opened: OpenedModel,
    private readonly options: SessionOptions,
  ) {
    this.id = opened.stored.id
    this.library = options.library
    this.tell = options.tell
    this.stored = shallowRef<ModelState>(opened.state)
    this.planner = options.makePlanner()
    this.planning = createPlanning(this.planner)
    this.offers = createOffers(options.makePlanner)
    this.saving = createSaving({
      library: options.library,
      id: this.id,
      onSaved: (task, saved) => this.saved(task, saved),
      onConflict: () => void this.counted(() => this.rebase()),
    })
    this.unsaved = createUnsavedWork(this.changing, this.saving.state)
    this.channel = options.openChannel((changed, revision) => {
      const isNews = changed === this.id && revision > this.saving.revision.value && this.saving.state.value === 'saved'
      if (isNews) void this.queue.run(() => this.catchUp())
    })
    this.history.load(opened.changes, opened.stored.cursor)
    this.saving.begin(opened.stored.revision)
  }

  /** What was shown last is shown at once, and its order is what the planner follows. */
  begin(): void {
    const shown = this.opened.report && this.planning.stored(this.opened.state, this.opened.report)
    if (shown) this.show(shown, { isChecked: false })
    void this.plan()
  }

  undo(): Promise<Answer> {
    return this.counted(() => this.travel(this.history.undoable.value, 'back'))
  }

  redo(): Promise<Answer> {
    return this.counted(() => this.travel(this.history.redoable.value, 'forward'))
  }

  takeOffer(): Promise<Answer> {
    const offer = this.offers.offer.value
    if (!offer) return Promise.resolve(UNCHANGED)
    return this.run({ label: say('session.takeTheBetterOrder'), order: offer.snapshot.state.order })
  }

  plan(): Promise<Answer> {
    return this.queue.run(() => this.planStored())
  }

  stopPlanning(): void {
    if (this.planning.fraction.value !== null) this.planning.stop()
    else this.offers.drop()
  }

  prove(section: string, step: number): Promise<Proof[]> {
    return this.planner.prove(section, step).catch(() => [])
  }

  async settle(): Promise<void> {
    this.unsaved.flush()
    await this.queue.idle()
    await this.saving.idle()
  }

  close(): void {
    this.isClosed = true
    clearTimeout(this.resting)
    this.queue.close()
    this.offers.drop()
    this.planner.close()
    this.channel.close()
  }

  private saved(task: SaveTask, { stored: row, dropped }: Saved): void {
    this.unwritten.delete(task)
    if (dropped > 0) {
      this.history.drop(dropped)
      this.tell(say('session.theOldestChangesOfThis'))
    }
    this.channel.post(this.id, row.revision)
  }

  private show(next: Snapshot, { isChecked } = { isChecked: true }): void {
    this.snapshot.value = next
    this.stored.value = next.state
    this.problem.value = ''
    this.isChecking.value = !isChecked
    if (!isChecked) return
    this.restSoon()
  }

  private restSoon(): void {
    clearTimeout(this.resting)
    this.resting = setTimeout(() => void this.rest(), this.options.restMs ?? REST_MS)
  }

  /** Only makes the next opening quicker, so what goes wrong here is no trouble to anybody. */
  rest(): Promise<void> {
    return this.keepShown().catch(() => undefined)
  }

  private async keepShown(): Promise<void> {
    clearTimeout(this.resting)
    const shown = this.snapshot.value
    const { revision } = this.saving
    if (!shown || this.isClosed || !this.isNoted || this.isChecking.value || this.saving.state.value !== 'saved') return
    const at = revision.value
    if (!this.isOrderStored) this.isOrderStored = await this.library.keepState(this.id, at, toBytes(shown.state))
    await this.library.describe(this.id, { facts: factsOf(shown.model, shown.report) })
    const bytes = await this.planner.printed(shown.version)
    if (bytes && this.snapshot.value === shown && revision.value === at) await this.library.keepReport({ id: this.id, revision: at, bytes })
  }

  private async planStored(): Promise<Answer> {
    try {
      const first = await this.planning.open(this.stored.value)
      this.isOrderStored = changeBetween(this.opened.state.order, first.state.order) === undefined
      const isNew = this.snapshot.value === null
      this.show(first)
      if (isNew && !this.opened.report) void this.searchSoon(first)
      return DONE
    } catch (thrown) {
      this.problem.value = faultText(plainFault(thrown))
      this.isChecking.value = false
      throw thrown
    }
  }

  private async searchSoon(shown: Snapshot): Promise<void> {
    await nextTask()
    if (this.snapshot.value === shown && !this.isClosed) await this.offers.search(shown)
  }

  /** The next state, planned and shown, if nothing speaks against it. */
  private async advance(before: Snapshot, state: ModelState, command: Pick<Command, 'fresh' | 'mustBuild'>): Promise<Snapshot | string> {
    const next = await this.planning.next(before, state, command.fresh)
    const broken = command.mustBuild === true ? whatBreaks(before, next) : undefined
    if (broken !== undefined) return broken
    if (this.isClosed) throw new Fault('closed', 'The model was closed.')
    this.offers.drop()
    this.show(next)
    return next
  }

  private async make(command: Command): Promise<Answer> {
    const before = this.snapshot.value
    if (!before) throw new Fault('no-plan', 'This model has no plan yet.', { wayOut: 'Let it be planned first.' })
    const asked = stateAfterCommand(before, command)
    if (asked === before.state && !command.fresh) return UNCHANGED
    const next = await this.advance(before, asked, command)
    if (typeof next === 'string') return { kind: 'refused', reason: next, anyway: () => this.run({ ...command, mustBuild: false }) }
    // First it is seen, then it is written down: of a large change that is a task of its own. Until then nothing else is written.
    this.isNoted = false
    await nextTask()
    this.note(command, before.state, next)
    this.isNoted = true
    this.restSoon()
    if (command.fresh) void this.offers.search(next)
    return DONE
  }

  private note(command: Command, before: ModelState, { state, model }: Snapshot): void {
    const replaces =
      this.last !== undefined &&
      command.group !== undefined &&
      this.last.command.group === command.group &&
      Date.now() - this.last.at < GROUP_MS
    const from = replaces ? this.last!.before : before
    this.last = { command, before: from, at: Date.now() }
    const change = {
      label: command.label,
      forward: JSON.stringify(storedChange(from, state)),
      back: JSON.stringify(storedChange(state, from)),
      ...(command.group === undefined ? {} : { group: command.group }),
    }
    this.history.push(change, replaces)
    const task: SaveTask = { kind: 'append', name: model.name, change, replaces, after: () => toBytes(state) }
    this.unwritten.set(task, command)
    this.saving.save(task)
  }

  private async travel(entry: HistoryEntry | undefined, way: 'forward' | 'back'): Promise<Answer> {
    const before = this.snapshot.value
    if (!entry || !before) return UNCHANGED
    const state = applyChange(before.state, JSON.parse(entry[way]) as PlainChange) as ModelState
    const next = await this.advance(before, state, {})
    if (typeof next === 'string') return { kind: 'refused', reason: next }
    const cursor = way === 'back' ? entry.number - 1 : entry.number
    this.history.moveTo(cursor)
    this.last = undefined
    const task: SaveTask = { kind: 'move', name: next.model.name, cursor }
    this.unwritten.set(task, {
      label: way === 'back' ? say('session.undo', { label: entry.label }) : say('session.redo', { label: entry.label }),
    })
    this.saving.save(task)
    return DONE
  }

  /** What another tab has saved is shown here too. */
  private async catchUp(): Promise<Answer> {
    if (this.saving.state.value === 'saved') await this.tryToRefresh()
    return UNCHANGED
  }

  private async refresh(): Promise<Answer> {
    this.opened = await this.library.open(this.id)
    if (this.opened.stored.revision === this.saving.revision.value) return UNCHANGED
    const before = this.snapshot.value
    if (before) {
      const change = changeBetween(before.state, this.opened.state)
      if (change) await this.advance(before, applyChange(before.state, change) as ModelState, {})
    } else this.stored.value = this.opened.state
    this.isOrderStored = changeBetween(this.opened.state.order, this.stored.value.order) === undefined
    this.history.load(this.opened.changes, this.opened.stored.cursor)
    this.saving.begin(this.opened.stored.revision)
    this.last = undefined
    return DONE
  }

  /** Another tab was quicker: what it saved is shown, and what was done here is done again on top of that. */
  private async rebase(): Promise<Answer> {
    await this.saving.idle()
    const commands = [...this.unwritten.values()]
    if (commands.length === 0) return UNCHANGED
    this.unwritten.clear()
    this.saving.begin(0)
    const failure = await this.tryToRefresh()
    for (const command of commands) {
      if (failure !== undefined) {
        this.tell(say('session.anotherTabChangedThisModel', { label: command.label, failure }))
        continue
      }
      const isAgain = command.change ?? command.settings ?? command.order ?? command.insets ?? command.fresh
      const answer = isAgain ? await this.made(command) : undefined
      if (answer?.kind === 'done' || answer?.kind === 'unchanged') continue
      const reason = answer?.kind === 'refused' ? ` ${answer.reason}` : ''
      this.tell(say('session.anotherTabChangedThisModelFirst', { label: command.label, reason }))
    }
    return DONE
  }

  /** A planner that dies is started again; one that goes on dying is not waited for. @returns why it could not be done */
  private async tryToRefresh(): Promise<string | undefined> {
    for (let left = REFRESHES; ; left--) {
      try {
        await this.refresh()
        return undefined
      } catch (thrown) {
        if (left <= 1) return faultText(plainFault(thrown))
      }
    }
  }

  private made(command: Command): Promise<Answer> {
    return this.make(command).catch((thrown: unknown): Answer => ({ kind: 'refused', reason: faultText(plainFault(thrown)) }))
  }

  private async counted(act: () => Promise<Answer>): Promise<Answer> {
    this.changing.value++
    try {
      return await this.queue.run(act)
    } finally {
      this.changing.value--
    }
  }

  run(command: Command): Promise<Answer> {
    return this.counted(() => this.make(command))
  }
}
