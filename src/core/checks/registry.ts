import { access } from './access'
import { alikeColours } from './alike-colours'
import { tooHeavy, tooLight } from './asked-mass'
import { blocked } from './blocked'
import { figureDiffers } from './figure-differs'
import { hidden } from './hidden'
import { largeUnit } from './large-unit'
import { lockLost } from './lock-lost'
import { loose } from './loose'
import { misreadable } from './misreadable'
import { neverSeen } from './never-seen'
import { noMirrorTwin } from './no-mirror-twin'
import { offBalance } from './off-balance'
import { optionClash } from './option-clash'
import { overlap } from './overlap'
import { rests } from './rests'
import { seeThrough } from './see-through'
import { stepMissing } from './step-missing'
import { stepTwice } from './step-twice'
import { straightSeam } from './straight-seam'
import { strained } from './strained'
import { tipsOver } from './tips-over'
import { turnTrap } from './turn-trap'
import { unheld } from './unheld'
import { unjoined } from './unjoined'
import { weakJoint } from './weak-joint'
import type { Check } from './check'

/** Every check, in the order in which findings of one section and severity are told. A new one is a file of its own and a line here. */
export const CHECKS = [
  overlap,
  noMirrorTwin,
  loose,
  optionClash,
  figureDiffers,
  unjoined,
  stepMissing,
  stepTwice,
  lockLost,
  largeUnit,
  blocked,
  unheld,
  rests,
  hidden,
  weakJoint,
  straightSeam,
  tipsOver,
  alikeColours,
  strained,
  turnTrap,
  access,
  tooLight,
  tooHeavy,
  offBalance,
  seeThrough,
  neverSeen,
  misreadable,
] as const

export type FindingCode = (typeof CHECKS)[number]['code']

const BY_CODE: ReadonlyMap<string, Check> = new Map(CHECKS.map((check) => [check.code, check]))

/** @returns undefined for the code of a check of an earlier version */
export const checkOf = (code: string): Check | undefined => BY_CODE.get(code)
