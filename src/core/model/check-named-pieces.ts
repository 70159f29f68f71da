import type { Catalogue } from '../catalogue'
import { refuseDoubles, refuseUnknown } from './refuse'
import type { ModelDocument } from './types'

/** The colour of parts whose colour does not matter. */
export const ANY_COLOUR = 'any'

/**
 * Kits and substitutes that a booklet tells of are made of pieces that there are.
 * @throws Fault `double-id`, `unknown-shape`, `unknown-colour`
 */
export function checkNamedPieces({ kits = [], substitutes = [] }: ModelDocument, { shapes, colours }: Catalogue): void {
  refuseDoubles(kits, (i) => `kits[${i}].id`)
  const check = ({ shape, colour }: { readonly shape: string; readonly colour: string }, place: string): void => {
    refuseUnknown('shape', shape, shapes, `${place}.shape`)
    if (colour !== ANY_COLOUR) refuseUnknown('colour', colour, colours, `${place}.colour`)
  }
  kits.forEach(({ pieces }, i) => pieces.forEach((piece, k) => check(piece, `kits[${i}].pieces[${k}]`)))
  substitutes.forEach(({ for: piece, use }, i) => {
    check(piece, `substitutes[${i}].for`)
    use.forEach((each, k) => check(each, `substitutes[${i}].use[${k}]`))
  })
}
