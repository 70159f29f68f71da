export const DONE = 0
export const NOT_BUILDABLE = 1
/** All is written, and something in it must be looked at. */
export const NEEDS_PERSON = 1
export const REFUSED = 2
/** The program itself has failed. */
export const FAILED = 3
