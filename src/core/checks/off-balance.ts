import { momentsOf, momentWords, type Moment } from '../count'
import { sectionById } from '../model'
import { STUD_PITCH, MM_PER_U } from '../space'
import { defineCheck } from './check'

/** A section that pulls more on the axle it hangs on than its designer asks: sails, a barrier, a bell. */
export const offBalance = defineCheck({
  code: 'off-balance',
  severity: 'warning',
  title: 'Out of balance',
  about: 'A section that hangs on an axle pulls more on it than its designer asks for.',
  scope: 'section',
  find: ({ model, built }) => {
    const asked = built.id === built.base ? sectionById(model, built.base).mass?.moment : undefined
    const moment = asked === undefined ? undefined : momentsOf(model).get(built.base)
    // Less than a tenth of a millimetre is within what masses are known to.
    if (!moment || moment.moment <= Math.max(asked!, moment.grams / 10)) return []
    const message = `Its ${moment.grams.toFixed(1)} g lie ${momentWords(moment)}, and at most ${asked} g·mm are asked for. ${counterweight(moment)}`
    return [{ step: null, parts: [], message }]
  },
})

/** What would balance it: at the farthest place on the other side, or a stud from the axle. */
function counterweight({ moment, opposite }: Moment): string {
  const at = Math.max(opposite, STUD_PITCH * MM_PER_U)
  return `About ${(moment / at).toFixed(1)} g more on the other side, ${Math.round(at)} mm from the axle, would balance it.`
}
