import type { GivenStep, Section, StepNoteKind } from '../model'

const TELLING = new Set<StepNoteKind>(['note', 'align', 'same-way'])

const tellsWay = ({ note = '', notes = [] }: GivenStep = {}): boolean => note !== '' || notes.some(({ kind }) => TELLING.has(kind))

/** Whether the designer has said something in a step (from 1) that tells where or which way a part goes. */
export const isNoted = ({ steps = [], planRest }: Section, step: number | null): boolean =>
  planRest !== true && step !== null && tellsWay(steps[step - 1])
