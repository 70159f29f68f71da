import { nextTask } from '../shared/next-task'
import { ModelSession } from './model-session'
import type { Session, SessionOptions } from './session-api'

export type { Session, SessionOptions } from './session-api'

/** @throws Fault `no-model` */
export async function openSession(id: string, options: SessionOptions): Promise<Session> {
  const opened = await options.library.open(id)
  await nextTask()
  const session = new ModelSession(opened, options)
  session.begin()
  await nextTask()
  return session
}
