import { plainFault } from '@core/fault'
import { faultText } from '../language'
import { notify } from '../shared/notices'

/** Tells what could not be done; nothing has changed then. */
export function attempt<Value>(act: () => Value): Value | undefined {
  try {
    return act()
  } catch (thrown) {
    notify(faultText(plainFault(thrown)), { isError: true })
    return undefined
  }
}
