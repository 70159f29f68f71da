import { catalogueIn, type Catalogue } from '../catalogue'
import { cutLines } from '../count'
import { ANY_COLOUR, coverageByKits, needOf, piecesIn, pieceLine, substituteLines } from '../desk'
import { alternativeLines } from '../figure'
import { wordsIn, type Words } from '../language'
import { catalogueOf, type ModelDocument } from '../model'
import type { BookletSource, InventoryList } from './pages'

/** What is said of all pieces beside their counts: what is cut, what may have any colour, what is needed beside kits, what may be others. */
export function inventoryLists({ model, plan, language }: BookletSource): InventoryList[] {
  const words = wordsIn(language)
  const { say } = words
  const catalogue = catalogueIn(catalogueOf(model), words)
  const anyColour = needOf(model).filter(({ colour }) => colour === ANY_COLOUR)
  return [
    { title: say('inventory.cut'), lines: cutLines(plan.inventory, catalogue, words) },
    { title: say('inventory.anyColour'), lines: anyColour.map((piece) => pieceLine(piece, catalogue, words)) },
    { title: say('inventory.missing'), lines: substituteLines(model.substitutes ?? [], catalogue, words) },
    ...kitLists(model, catalogue, words),
    { title: say('inventory.instead'), lines: alternativeLines(model.figures ?? [], catalogue, words) },
    { title: say('inventory.errata'), lines: linesOf(model.booklet?.errata) },
    { title: say('inventory.thanks'), lines: linesOf(model.booklet?.credits) },
    { title: say('inventory.terms'), lines: linesOf(model.booklet?.terms) },
  ].filter(({ lines }) => lines.length > 0)
}

const linesOf = (text = ''): string[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.trim())
    .filter((line) => line !== '')

/** What builders need beside one, two … of the kits that the designer names. */
function kitLists(model: ModelDocument, catalogue: Catalogue, words: Words): InventoryList[] {
  const need = model.kits && model.kits.length > 0 ? needOf(model) : []
  const all = piecesIn(need)
  return (model.kits ?? []).flatMap((kit) =>
    coverageByKits(need, kit).map(({ kits, covered, extras }): InventoryList => {
      const title = words.count('inventory.kits', kits, { kit: words.quote(kit.name), covered, all })
      return {
        title,
        lines: extras.length === 0 ? [words.say('inventory.nothing')] : extras.map((piece) => pieceLine(piece, catalogue, words)),
      }
    }),
  )
}
