import { momentsOf, momentSaid, type Moment } from '../count'
import { sectionById } from '../model'
import { STUD_PITCH, MM_PER_U } from '../space'
import { type Said, type SaidAbout, rounded } from '../language'
import { defineCheck } from './check'

/** A section that pulls more on the axle it hangs on than its designer asks: sails, a barrier, a bell. */
export const offBalance = defineCheck({
  code: 'off-balance',
  severity: 'warning',
  about: 'A section that hangs on an axle pulls more on it than its designer asks for.',
  scope: 'section',
  find: ({ model, built }) => {
    const asked = built.id === built.base ? sectionById(model, built.base).mass?.moment : undefined
    const moment = asked === undefined ? undefined : momentsOf(model).get(built.base)
    // Less than a tenth of a millimetre is within what masses are known to.
    if (!moment || moment.moment <= Math.max(asked!, moment.grams / 10)) return []
    const grams = rounded(moment.grams, 1)
    const said: Said = {
      key: 'mass.offBalance',
      about: { grams, moment: momentSaid(moment), asked: asked!, ...counterweight(moment) },
    }
    return [{ step: null, parts: [], said }]
  },
})

/** What would balance it: at the farthest place on the other side, or a stud from the axle. */
function counterweight({ moment, opposite }: Moment): Readonly<Record<'more' | 'at', SaidAbout>> {
  const at = Math.max(opposite, STUD_PITCH * MM_PER_U)
  return { more: rounded(moment / at, 1), at: Math.round(at) }
}
