export type Severity = 'error' | 'warning' | 'note'

export type FindingCode =
  | 'overlap'
  | 'unheld'
  | 'blocked'
  | 'rests'
  | 'hidden'
  | 'step-missing'
  | 'step-twice'
  | 'no-mirror-twin'
  | 'weak-joint'
  | 'straight-seam'
  | 'tips-over'
  | 'lock-lost'
  /** A section that nothing joins: its parts stand in no count. */
  | 'unjoined'
  | 'see-through'
  | 'never-seen'
  | 'turn-trap'
  | 'access'
  | 'large-unit'
  /** Two places kept for checks that need the whole catalogue: techniques some builders refuse, colours hard to tell apart. */
  | 'strained'
  | 'alike-colours'
  | 'loose'

export interface Finding {
  readonly code: FindingCode
  readonly severity: Severity
  readonly section: string
  /** Number of the step in that section; null when it concerns no single step. */
  readonly step: number | null
  readonly parts: readonly string[]
  readonly message: string
}

const SEVERITIES: Readonly<Record<FindingCode, Severity>> = {
  overlap: 'error',
  unheld: 'error',
  blocked: 'error',
  rests: 'error',
  'step-missing': 'error',
  'step-twice': 'error',
  'no-mirror-twin': 'error',
  hidden: 'warning',
  'weak-joint': 'warning',
  'straight-seam': 'warning',
  'tips-over': 'warning',
  'lock-lost': 'warning',
  unjoined: 'warning',
  'see-through': 'warning',
  'turn-trap': 'warning',
  access: 'warning',
  'large-unit': 'warning',
  strained: 'warning',
  'alike-colours': 'warning',
  'never-seen': 'note',
  loose: 'note',
}

export interface Place {
  readonly section: string
  readonly step: number | null
  readonly parts: readonly string[]
}

export const finding = (code: FindingCode, place: Place, message: string): Finding => ({
  code,
  severity: SEVERITIES[code],
  section: place.section,
  step: place.step,
  parts: place.parts,
  message,
})
