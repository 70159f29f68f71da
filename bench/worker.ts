import { parentPort, workerData } from 'node:worker_threads'
import { measureEdits, measureHostile, measureSubject } from './stages'
import { subjectNamed } from './subjects'

/** What a worker is asked: the stages or the edits of one subject, with its file's text, or one hostile model. */
export type Task =
  { readonly subject: string; readonly text: string } | { readonly edits: string; readonly text: string } | { readonly hostile: string }
export type Answer = { readonly stage: string; readonly value: number } | { readonly row: readonly number[] }

const task = workerData as Task
const say = (answer: Answer): void => parentPort!.postMessage(answer)
if ('subject' in task) await measureSubject(task.text, subjectNamed(task.subject), (stage, value) => say({ stage, value }))
else if ('edits' in task) measureEdits(task.text, subjectNamed(task.edits), (stage, value) => say({ stage, value }))
else say({ row: measureHostile(task.hostile) })
