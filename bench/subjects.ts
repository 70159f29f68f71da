import { readFileSync } from 'node:fs'
import type { ModelDocument } from '../src/core/model'
import { town } from './buildings'

/** What is measured: the name in the tables, how to make it, how often each stage is run, how many edits are made. */
export interface Subject {
  readonly name: string
  readonly make: () => ModelDocument
  readonly runs: number
  readonly edits: number
  /** Only the plan, the report and the edits: pictures of it would take minutes and tell nothing new. */
  readonly isHuge?: boolean
}

const demo = (name: string) => (): ModelDocument => JSON.parse(readFileSync(`demo/models/${name}.rail.json`, 'utf8')) as ModelDocument

export const SUBJECTS: readonly Subject[] = [
  { name: 'ferry house', make: demo('ferry-house'), runs: 9, edits: 60 },
  { name: 'granary', make: demo('granary'), runs: 5, edits: 60 },
  { name: 'town', make: () => town(2000), runs: 7, edits: 200 },
  { name: 'large town', make: () => town(23_500), runs: 5, edits: 200 },
  { name: 'huge town', make: () => town(117_500), runs: 2, edits: 40, isHuge: true },
]

export const subjectNamed = (name: string): Subject => SUBJECTS.find((subject) => subject.name === name)!
