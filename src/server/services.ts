import type { Booklets } from './booklets'
import type { BundleChecker } from './check-tasks'
import type { Gate } from './gate'
import type { Limits } from './limits'

/** What the routes work with. */
export interface Services {
  readonly booklets: Booklets
  readonly checker: BundleChecker
  readonly limits: Limits
  readonly gate: Gate
}
