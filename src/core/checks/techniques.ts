import type { Said } from '../language'
import type { Technique } from '../model'

/** Techniques that some builders refuse, each with the reason. */
export const techniqueTitle = (technique: Technique): Said => ({ key: `technique.${technique}` })

export const techniqueReason = (technique: Technique): Said => ({ key: `techniqueReason.${technique}` })
