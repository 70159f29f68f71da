/** Durations: how long building and writing take, fitted to logs. */
export { durationsOf, roughBuildTime } from './durations'
export { readLog, writeLog, type LogRun } from './log'
export { basisWords, minutesWords, rangeWords, toldWords } from './words'
export { logOfProof, minutesBySection, proofOfLog, proofReport, type ProofReport } from './proof'
