import type { BuiltSection } from '@core/plan'
import { oneSection } from './models'

/** A planned section as a check is asked about it, with nothing around it but what is said. */
export const subjectOf = (built: BuiltSection, whole?: BuiltSection) => ({
  model: oneSection([]),
  built,
  looks: [],
  misreadings: [],
  use: { times: 1, mirrored: 0 },
  isStanding: true,
  whole,
  level: 'home' as const,
})
