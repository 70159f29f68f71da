import { ref, type Ref } from 'vue'
import { Fault, plainFault } from '@core/fault'
import { faultText } from '../language'
import type { Library, NewChange, Saved } from '../storage/library'

/** One thing to write down, in order. */
export type SaveTask = { readonly name: string } & (
  | { readonly kind: 'append'; readonly change: NewChange; readonly replaces: boolean; readonly after: () => Uint8Array<ArrayBuffer> }
  | { readonly kind: 'move'; readonly cursor: number }
)

export interface Saving {
  readonly state: Readonly<Ref<'saved' | 'saving' | 'failed'>>
  readonly message: Readonly<Ref<string>>
  readonly revision: Readonly<Ref<number>>
  /** Takes a task that is written as soon as those before it are. */
  save(task: SaveTask): void
  /** Writes what could not be written. */
  retry(): Promise<void>
  /** Begins with what the store holds; what was not written is given up. */
  begin(revision: number): void
  /** Answered when nothing is being written. */
  idle(): Promise<void>
}

export interface SavingOptions {
  readonly library: Pick<Library, 'append' | 'moveTo'>
  readonly id: string
  readonly onSaved: (task: SaveTask, saved: Saved) => void
  /** Another tab has changed the model: none of the tasks that waited was written. */
  readonly onConflict: () => void
}

/** Writes changes down one after another; a failure keeps them, and all that follow, until they are tried again. */
export function createSaving({ library, id, onSaved, onConflict }: SavingOptions): Saving {
  const state = ref<'saved' | 'saving' | 'failed'>('saved')
  const message = ref('')
  const revision = ref(0)
  let tasks: SaveTask[] = []
  let writing: Promise<void> | undefined

  async function writeAll(): Promise<void> {
    state.value = 'saving'
    message.value = ''
    while (tasks.length > 0) {
      const task = tasks[0]!
      try {
        const saved = await writeTask(library, id, revision.value, task)
        revision.value = saved.stored.revision
        tasks = tasks.filter((each) => each !== task)
        onSaved(task, saved)
      } catch (thrown) {
        if (thrown instanceof Fault && thrown.code === 'changed-elsewhere') {
          tasks = []
          onConflict()
          break
        }
        state.value = 'failed'
        message.value = faultText(plainFault(thrown))
        return
      }
    }
    state.value = 'saved'
  }

  function start(): Promise<void> {
    writing ??= writeAll().finally(() => {
      writing = undefined
    })
    return writing
  }

  return {
    state,
    message,
    revision,
    save(task) {
      tasks.push(task)
      // After a failure the store is not troubled with each key; what is new waits with the rest.
      if (state.value !== 'failed') void start()
    },
    async retry() {
      if (tasks.length > 0) await start()
    },
    begin(next) {
      revision.value = next
      tasks = []
      state.value = 'saved'
      message.value = ''
    },
    idle: async () => {
      while (writing) await writing
    },
  }
}

const writeTask = (library: SavingOptions['library'], id: string, revision: number, task: SaveTask): Promise<Saved> =>
  task.kind === 'move' ? library.moveTo(id, revision, task.name, task.cursor) : library.append(id, revision, task.change, task)
