import { computed, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import { applyChange, changeBetween, type Change as PlainChange } from '@core/change'
import { storedChange } from './stored-change'
import { Fault, faultLine, plainFault } from '@core/fault'
import type { Proof } from '@core/plan'
import { toBytes, type ModelState } from '../../workers/plan-messages'
import { nextTask } from '../shared/next-task'
import type { ChangesChannel } from '../storage/changes-channel'
import { factsOf } from '../storage/facts'
import type { Library, OpenedModel } from '../storage/library'
import type { PlannerLike } from '../workers/planner-client'
import { createCommandQueue, type Answer } from './command-queue'
import { stateAfterCommand, type Command } from './commands'
import { createHistory, type History, type HistoryEntry } from './history'
import { createOffers, type Offers } from './offers'
import { createPlanning, type Planning } from './planning'
import { createSaving, type Saving, type SaveTask } from './saving'
import { whatBreaks, type Snapshot } from './snapshot'
import { createUnsavedWork, type UnsavedWork } from './unsaved'

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

const DONE: Answer = { kind: 'done' }
const UNCHANGED: Answer = { kind: 'unchanged' }
const REST_MS = 1500
/** How often what another tab saved is tried to be shown: a planner may die under it. */
const REFRESHES = 4
/** Texts that follow each other at most so long after are one change. */
const GROUP_MS = 30_000

/** @throws Fault `no-model` */
export async function openSession(id: string, options: SessionOptions): Promise<Session> {
  const { library, tell } = options
  let opened: OpenedModel = await library.open(id)
  await nextTask()
  const stored = shallowRef<ModelState>(opened.state)
  const snapshot = shallowRef<Snapshot | null>(null)
  const problem = ref('')
  const isChecking = ref(false)
  const queue = createCommandQueue()
  const history = createHistory()
  const planner = options.makePlanner()
  const planning = createPlanning(planner)
  const offers = createOffers(options.makePlanner)
  /** Commands under way that change something: planning alone is nothing that could be lost. */
  const changing = ref(0)
  let isClosed = false
  /** The order that is shown stands in the store, or in changes after it. */
  let isOrderStored = true
  /** What is shown is written down, or on its way. */
  let isNoted = true
  let resting: ReturnType<typeof setTimeout> | undefined
  /** The last command and the state before it, for texts typed on. */
  let last: { readonly command: Command; readonly before: ModelState; readonly at: number } | undefined
  /** Commands that are made but not written, by the change that is to be written: another tab may come first. */
  const unwritten = new Map<SaveTask, Command>()

  const saving = createSaving({
    library,
    id,
    onSaved(task, { stored: row, dropped }) {
      unwritten.delete(task)
      if (dropped > 0) {
        history.drop(dropped)
        tell('The oldest changes of this model can no longer be undone.')
      }
      channel.post(id, row.revision)
    },
    onConflict: () => void counted(rebase),
  })
  const channel = options.openChannel((changed, revision) => {
    if (changed === id && revision > saving.revision.value && saving.state.value === 'saved') void queue.run(catchUp)
  })
  history.load(opened.changes, opened.stored.cursor)
  saving.begin(opened.stored.revision)

  function show(next: Snapshot, isChecked = true): void {
    snapshot.value = next
    stored.value = next.state
    problem.value = ''
    isChecking.value = !isChecked
    if (!isChecked) return
    restSoon()
  }

  function restSoon(): void {
    clearTimeout(resting)
    resting = setTimeout(() => void rest(), options.restMs ?? REST_MS)
  }

  /** Only makes the next opening quicker, so what goes wrong here is no trouble to anybody. */
  const rest = (): Promise<void> => keepShown().catch(() => undefined)

  async function keepShown(): Promise<void> {
    clearTimeout(resting)
    const shown = snapshot.value
    const { revision } = saving
    if (!shown || isClosed || !isNoted || isChecking.value || saving.state.value !== 'saved') return
    const at = revision.value
    if (!isOrderStored) isOrderStored = await library.keepState(id, at, toBytes(shown.state))
    await library.describe(id, { facts: factsOf(shown.model, shown.report) })
    const bytes = await planner.printed(shown.version)
    if (bytes && snapshot.value === shown && revision.value === at) await library.keepReport({ id, revision: at, bytes })
  }

  async function plan(): Promise<Answer> {
    try {
      const first = await planning.open(stored.value)
      isOrderStored = changeBetween(opened.state.order, first.state.order) === undefined
      const isNew = snapshot.value === null
      show(first)
      if (isNew && !opened.report) void searchSoon(first)
      return DONE
    } catch (thrown) {
      problem.value = faultLine(plainFault(thrown))
      isChecking.value = false
      throw thrown
    }
  }

  async function searchSoon(shown: Snapshot): Promise<void> {
    await nextTask()
    if (snapshot.value === shown && !isClosed) await offers.search(shown)
  }

  /** The next state, planned and shown, if nothing speaks against it. */
  async function advance(before: Snapshot, state: ModelState, command: Pick<Command, 'fresh' | 'mustBuild'>): Promise<Snapshot | string> {
    const next = await planning.next(before, state, command.fresh)
    const broken = command.mustBuild === true ? whatBreaks(before, next) : undefined
    if (broken !== undefined) return broken
    if (isClosed) throw new Fault('closed', 'The model was closed.')
    offers.drop()
    show(next)
    return next
  }

  async function make(command: Command): Promise<Answer> {
    const before = snapshot.value
    if (!before) throw new Fault('no-plan', 'This model has no plan yet.', { wayOut: 'Let it be planned first.' })
    const asked = stateAfterCommand(before, command)
    if (asked === before.state && !command.fresh) return UNCHANGED
    const next = await advance(before, asked, command)
    if (typeof next === 'string') return { kind: 'refused', reason: next, anyway: () => run({ ...command, mustBuild: false }) }
    // First it is seen, then it is written down: of a large change that is a task of its own. Until then nothing else is written.
    isNoted = false
    await nextTask()
    note(command, before.state, next)
    isNoted = true
    restSoon()
    if (command.fresh) void offers.search(next)
    return DONE
  }

  function note(command: Command, before: ModelState, { state, model }: Snapshot): void {
    const replaces =
      last !== undefined && command.group !== undefined && last.command.group === command.group && Date.now() - last.at < GROUP_MS
    const from = replaces ? last!.before : before
    last = { command, before: from, at: Date.now() }
    const change = {
      label: command.label,
      forward: JSON.stringify(storedChange(from, state)),
      back: JSON.stringify(storedChange(state, from)),
      ...(command.group === undefined ? {} : { group: command.group }),
    }
    history.push(change, replaces)
    const task: SaveTask = { kind: 'append', name: model.name, change, replaces, after: () => toBytes(state) }
    unwritten.set(task, command)
    saving.save(task)
  }

  async function travel(entry: HistoryEntry | undefined, way: 'forward' | 'back'): Promise<Answer> {
    const before = snapshot.value
    if (!entry || !before) return UNCHANGED
    const state = applyChange(before.state, JSON.parse(entry[way]) as PlainChange) as ModelState
    const next = await advance(before, state, {})
    if (typeof next === 'string') return { kind: 'refused', reason: next }
    const cursor = way === 'back' ? entry.number - 1 : entry.number
    history.moveTo(cursor)
    last = undefined
    const task: SaveTask = { kind: 'move', name: next.model.name, cursor }
    unwritten.set(task, { label: way === 'back' ? `undo ${entry.label}` : `redo ${entry.label}` })
    saving.save(task)
    return DONE
  }

  /** What another tab has saved is shown here too. */
  async function catchUp(): Promise<Answer> {
    if (saving.state.value === 'saved') await tryToRefresh()
    return UNCHANGED
  }

  async function refresh(): Promise<Answer> {
    opened = await library.open(id)
    if (opened.stored.revision === saving.revision.value) return UNCHANGED
    const before = snapshot.value
    if (before) {
      const change = changeBetween(before.state, opened.state)
      if (change) await advance(before, applyChange(before.state, change) as ModelState, {})
    } else stored.value = opened.state
    isOrderStored = changeBetween(opened.state.order, stored.value.order) === undefined
    history.load(opened.changes, opened.stored.cursor)
    saving.begin(opened.stored.revision)
    last = undefined
    return DONE
  }

  /** Another tab was quicker: what it saved is shown, and what was done here is done again on top of that. */
  async function rebase(): Promise<Answer> {
    await saving.idle()
    const commands = [...unwritten.values()]
    if (commands.length === 0) return UNCHANGED
    unwritten.clear()
    saving.begin(0)
    const failure = await tryToRefresh()
    for (const command of commands) {
      if (failure !== undefined) {
        tell(`Another tab changed this model first, so “${command.label}” was not done. ${failure}`)
        continue
      }
      const isAgain = command.change ?? command.settings ?? command.order ?? command.fresh
      const answer = isAgain ? await made(command) : undefined
      if (answer?.kind === 'done' || answer?.kind === 'unchanged') continue
      const reason = answer?.kind === 'refused' ? ` ${answer.reason}` : ''
      tell(`Another tab changed this model first, so “${command.label}” was not done.${reason}`)
    }
    return DONE
  }

  /** A planner that dies is started again; one that goes on dying is not waited for. @returns why it could not be done */
  async function tryToRefresh(): Promise<string | undefined> {
    for (let left = REFRESHES; ; left--) {
      try {
        await refresh()
        return undefined
      } catch (thrown) {
        if (left <= 1) return faultLine(plainFault(thrown))
      }
    }
  }

  const made = (command: Command): Promise<Answer> =>
    make(command).catch((thrown: unknown): Answer => ({ kind: 'refused', reason: faultLine(plainFault(thrown)) }))

  async function counted(act: () => Promise<Answer>): Promise<Answer> {
    changing.value++
    try {
      return await queue.run(act)
    } finally {
      changing.value--
    }
  }

  const run = (command: Command): Promise<Answer> => counted(() => make(command))

  const session: Session = {
    id,
    snapshot,
    problem,
    isChecking,
    state: computed(() => stored.value),
    history,
    planning,
    offers,
    saving,
    unsaved: createUnsavedWork(changing, saving.state),
    run,
    undo: () => counted(() => travel(history.undoable.value, 'back')),
    redo: () => counted(() => travel(history.redoable.value, 'forward')),
    async takeOffer() {
      const offer = offers.offer.value
      if (!offer) return UNCHANGED
      return run({ label: 'take the better order', order: offer.snapshot.state.order })
    },
    plan: () => queue.run(plan),
    stopPlanning() {
      if (planning.fraction.value !== null) planning.stop()
      else offers.drop()
    },
    prove: (section, step) => planner.prove(section, step).catch(() => []),
    rest,
    async settle() {
      session.unsaved.flush()
      await queue.idle()
      await saving.idle()
    },
    close() {
      isClosed = true
      clearTimeout(resting)
      queue.close()
      offers.drop()
      planner.close()
      channel.close()
    },
  }

  // What was shown last is shown at once, and its order is what the planner follows.
  const shown = opened.report && planning.stored(opened.state, opened.report)
  if (shown) show(shown, false)
  void session.plan()
  await nextTask()
  return session
}
