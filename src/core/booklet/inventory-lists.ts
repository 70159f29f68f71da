import type { Catalogue } from '../catalogue'
import { cutLines } from '../count'
import { ANY_COLOUR, coverageByKits, needOf, piecesIn, pieceLine, substituteLines } from '../desk'
import { alternativeLines } from '../figure'
import { catalogueOf } from '../model'
import type { BookletSource, InventoryList } from './pages'

/** What is said of all pieces beside their counts: what is cut, what may have any colour, what is needed beside kits, what may be others. */
export function inventoryLists({ model, plan }: BookletSource): InventoryList[] {
  const catalogue = catalogueOf(model)
  const anyColour = needOf(model).filter(({ colour }) => colour === ANY_COLOUR)
  return [
    { title: 'To cut to length', lines: cutLines(plan.inventory, catalogue) },
    { title: 'Any colour will do, for it is never seen', lines: anyColour.map((piece) => pieceLine(piece, catalogue)) },
    { title: 'Where a piece is missing', lines: substituteLines(model.substitutes ?? [], catalogue) },
    ...kitLists({ model, plan }, catalogue),
    { title: 'Instead, if you like', lines: alternativeLines(model.figures ?? [], catalogue) },
    { title: 'Put right since it first went out', lines: linesOf(model.booklet?.errata) },
    { title: 'Thanks', lines: linesOf(model.booklet?.credits) },
    { title: 'Terms', lines: linesOf(model.booklet?.terms) },
  ].filter(({ lines }) => lines.length > 0)
}

const linesOf = (text = ''): string[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')

/** What builders need beside one, two … of the kits that the designer names. */
function kitLists({ model }: Pick<BookletSource, 'model' | 'plan'>, catalogue: Catalogue): InventoryList[] {
  const need = model.kits && model.kits.length > 0 ? needOf(model) : []
  const all = piecesIn(need)
  return (model.kits ?? []).flatMap((kit) =>
    coverageByKits(need, kit).map(({ kits, covered, extras }): InventoryList => {
      const title = `Beside ${kits === 1 ? 'one' : kits} of “${kit.name}”, which ${kits === 1 ? 'covers' : 'cover'} ${covered} of ${all} pieces`
      return { title, lines: extras.length === 0 ? ['Nothing more.'] : extras.map((piece) => pieceLine(piece, catalogue)) }
    }),
  )
}
