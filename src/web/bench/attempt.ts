import { faultLine, plainFault } from '@core/fault'
import { notify } from '../shared/notices'

/** Tells what could not be done; nothing has changed then. */
export function attempt<Value>(act: () => Value): Value | undefined {
  try {
    return act()
  } catch (thrown) {
    notify(faultLine(plainFault(thrown)), { isError: true })
    return undefined
  }
}
