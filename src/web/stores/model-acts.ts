import type { Ref } from 'vue'
import type { TellingInset } from '@core/pipeline'
import { say } from '../language'
import type { PlanSettings } from '../../workers/plan-messages'
import type { Answer } from '../session/command-queue'
import type { Command, DocumentChange } from '../session/commands'
import type { Session } from '../session/session'
import { notify } from '../shared/notices'

interface ActsOn {
  readonly session: Readonly<Ref<Session | null>>
  /** A better order is looked at, but not taken. */
  readonly isLooking: Ref<boolean>
  readonly settings: Readonly<Ref<PlanSettings>>
}

/** What a person can do to an open model; each is a command of its session, and what is refused is told. */
export function useActs({ session, isLooking, settings }: ActsOn) {
  async function run(command: Command): Promise<Answer> {
    const now = session.value
    if (!now) return { kind: 'refused', reason: say('stores.noModelIsOpen') }
    if (isLooking.value) return { kind: 'refused', reason: say('stores.youAreLookingAtAn') }
    return now.run(command)
  }

  /** Makes an edit whatever the plan says of it, and tells where it is refused. @returns whether it was made */
  async function edit(label: string, change: DocumentChange, more: Partial<Command> = {}): Promise<boolean> {
    const answer = await run({ label, change, ...more })
    tellRefusal(answer)
    return answer.kind === 'done' || answer.kind === 'unchanged'
  }

  /** The same where the screen itself says what is wrong. @returns why it was refused; empty where it was made */
  async function tryEdit(label: string, change: DocumentChange, more: Partial<Command> = {}): Promise<string> {
    const answer = await run({ label, change, ...more })
    return answer.kind === 'done' || answer.kind === 'unchanged' ? '' : answer.reason
  }

  function tellRefusal(answer: Answer): void {
    if (answer.kind === 'done' || answer.kind === 'unchanged') return
    const anyway = answer.kind === 'refused' ? answer.anyway : undefined
    const act = anyway ? { label: say('stores.doItAllTheSame'), run: () => void anyway().then(tellRefusal) } : undefined
    notify(answer.reason, { isError: true, ...(act ? { act } : {}) })
  }

  async function travel(way: 'undo' | 'redo'): Promise<void> {
    isLooking.value = false
    session.value?.unsaved.flush()
    if (session.value) tellRefusal(await session.value[way]())
  }

  async function useSettings(next: PlanSettings): Promise<boolean> {
    // What the finished model must stand is checked: it lays no step anew.
    const isLaidAnew = (['strategy', 'density', 'effort'] as const).some((key) => next[key] !== settings.value[key])
    const answer = await run({ label: say('stores.layTheStepsAnotherWay'), settings: next, ...(isLaidAnew ? { fresh: 'all' } : {}) })
    tellRefusal(answer)
    return answer.kind === 'done'
  }

  async function takeOffer(): Promise<void> {
    isLooking.value = false
    if (session.value) tellRefusal(await session.value.takeOffer())
  }

  /** Shows small pictures that tell where parts go, in place of those that an earlier reading gave. */
  const showInsets = (insets: readonly TellingInset[]): Promise<Answer> => run({ label: say('session.showSmallPictures'), insets })

  return {
    run,
    edit,
    tryEdit,
    tellRefusal,
    undo: () => travel('undo'),
    redo: () => travel('redo'),
    useSettings,
    takeOffer,
    showInsets,
  }
}
