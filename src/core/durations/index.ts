/** Durations: how long building and writing take, fitted to logs. */
export { durationsOf } from './durations'
export { readLog } from './log'
