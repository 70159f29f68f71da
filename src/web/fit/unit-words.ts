import { LENGTH_UNITS, type LengthUnit } from '@core/fit'
import { say, type ScreenKey } from '../language'

const UNITS = {
  studs: 'fit.unitStuds',
  'half studs': 'fit.unitHalfStuds',
  bricks: 'fit.unitBricks',
  plates: 'fit.unitPlates',
  'half plates': 'fit.unitHalfPlates',
  'bracket walls': 'fit.unitBracketWalls',
  mm: 'fit.unitMm',
} as const satisfies Record<LengthUnit, ScreenKey>

export const unitWords = (unit: LengthUnit): string => say(UNITS[unit])

export const unitOptions = (): { value: string; label: string }[] => LENGTH_UNITS.map((value) => ({ value, label: unitWords(value) }))
