import type { ModelDocument } from '@core/model'
import { bent } from './bent'
import { held } from './held'
import { rooms } from './rooms'
import { steps } from './steps'
import { turned } from './turned'
import { walls } from './walls'

/** A small model, and every finding that a careful builder would make of it; `never-seen`, a note on colours, is left out. */
export interface Specimen {
  readonly name: string
  readonly model: ModelDocument
  readonly codes: readonly string[]
}

export const CORPUS: readonly Specimen[] = [...walls, ...turned, ...rooms, ...held, ...bent, ...steps]
