import type { Travel } from '@core/motion'
import { towardsWords } from '@core/words'
import { say, screenWords } from '../language'

/** Which way something goes, in words: "upward", "to the right", "along its joint". */
export const travelWords = (travel: Travel): string =>
  typeof travel === 'number' ? towardsWords(travel, screenWords()) : say('bench.alongItsJoint')
