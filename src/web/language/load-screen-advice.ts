/** Apart, so that what speaks English loads none of it. */
export { loadAdvice } from '@core/language'
