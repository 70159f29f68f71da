import { IDBFactory, IDBKeyRange } from 'fake-indexeddb'
import { oneSection, part } from '../../../../tests/support/models'
import { toBytes, USUAL_SETTINGS, type ModelState } from '../../../workers/plan-messages'
import type { ChangesChannel } from '../../storage/changes-channel'
import { LibraryDatabase } from '../../storage/database'
import { Library } from '../../storage/library'
import { openSession, type Session } from '../session'
import { FakePlanner, noTrouble, type PlannerTrouble } from './fake-planner'

/** A store whose disk may be full. */
class FullableLibrary extends Library {
  isFull = false

  private refuse(): void {
    if (this.isFull) throw new DOMException('The disk is full.', 'QuotaExceededError')
  }

  override append(...args: Parameters<Library['append']>): ReturnType<Library['append']> {
    this.refuse()
    return super.append(...args)
  }

  override moveTo(...args: Parameters<Library['moveTo']>): ReturnType<Library['moveTo']> {
    this.refuse()
    return super.moveTo(...args)
  }
}

/** One browser: a store, and tabs that hear of each other. */
export class FakeBrowser {
  readonly trouble: PlannerTrouble = noTrouble()
  readonly told: string[] = []
  readonly library: FullableLibrary
  private readonly listeners = new Map<object, (id: string, revision: number) => void>()

  constructor() {
    this.library = new FullableLibrary(new LibraryDatabase('test', { indexedDB: new IDBFactory(), IDBKeyRange }))
  }

  async add(): Promise<string> {
    const model = oneSection([part('a', 'brick-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 12])])
    const state: ModelState = { model: { ...model, notes: '' }, settings: USUAL_SETTINGS, order: {} }
    return (await this.library.add('Test', toBytes(state))).id
  }

  open(id: string): Promise<Session> {
    return openSession(id, {
      library: this.library,
      makePlanner: () => new FakePlanner(this.trouble),
      openChannel: (onChange) => this.channel(onChange),
      tell: (text) => void this.told.push(text),
      restMs: 1,
    })
  }

  private channel(onChange: (id: string, revision: number) => void): ChangesChannel {
    const me = {}
    this.listeners.set(me, onChange)
    return {
      post: (id, revision) => {
        for (const [tab, hear] of this.listeners) if (tab !== me) queueMicrotask(() => hear(id, revision))
      },
      close: () => void this.listeners.delete(me),
    }
  }
}
