import { Option } from 'commander'
import {
  cover,
  findSubstitutes,
  printedSubstitute,
  needOf,
  purchase,
  readKits,
  readOffers,
  readStock,
  type Kit,
  type KitHad,
  type OfferBook,
} from '@core/desk'
import { Fault } from '@core/fault'
import { catalogueOf } from '@core/model'
import { fileText } from '@core/words'
import { print, say } from '../console'
import { DONE, NOT_BUILDABLE } from '../exit-codes'
import { bytesOf, load } from '../files'
import { wholeNumber } from '../number-option'
import type { DefineCommand } from './command'
import { versionChoice, withVersionOptions } from './version-options'

type PartsValues = Parameters<typeof versionChoice>[0] & {
  readonly copies: number
  readonly stock?: string
  readonly kits?: string
  readonly have?: string
  readonly offers?: string
  readonly substitutes: 'none' | 'exact' | 'near'
  readonly seconds: number
}

const MOST_COPIES = 10_000
const MOST_SECONDS = 3600

export const defineParts: DefineCommand = (program, finish) =>
  withVersionOptions(
    program.command('parts <file>').description('what a model takes, what is there, what is missing, and the cheapest way to buy it'),
  )
    .option('--json', 'as JSON, the only form there is')
    .option('--copies <n>', 'how many models', wholeNumber('copies', 1, MOST_COPIES), 1)
    .option('--stock <table>', 'a table of pieces that are there')
    .option('--kits <file>', 'a file of kits')
    .option('--have <kits>', 'kits that are there: "garden:2,harbour:1"')
    .option('--offers <file>', 'what is offered where')
    .addOption(
      new Option('--substitutes <which>', 'what may stand in for what is missing').choices(['none', 'exact', 'near']).default('none'),
    )
    .option('--seconds <n>', 'how long the cheapest purchase is looked for', wholeNumber('seconds', 1, MOST_SECONDS), 10)
    .action((file: string, values: PartsValues) => finish(parts(file, values)))

async function parts(file: string, values: PartsValues): Promise<number> {
  const model = await load(file, versionChoice(values))
  const catalogue = catalogueOf(model)
  const stock = values.stock === undefined ? [] : readStock(await bytesOf(values.stock), catalogue).pieces
  const kits = values.kits === undefined ? [] : readKits(fileText(await bytesOf(values.kits)), catalogue)
  const offers = values.offers === undefined ? undefined : readOffers(fileText(await bytesOf(values.offers)), catalogue)
  const need = needOf(model, values.copies)
  const coverage = cover(need, stock, kitsHad(values.have, kits))
  const buy = offers && (await bought(coverage.missing, offers, kits, values.seconds))
  const substitutes =
    values.substitutes === 'none'
      ? []
      : findSubstitutes(model, coverage.missing, { spare: coverage.spare, offers, how: values.substitutes }).map(printedSubstitute)
  print({ name: model.name, copies: values.copies, need, ...coverage, substitutes, ...(buy ? { buy } : {}) })
  return buy && buy.unavailable.length > 0 ? NOT_BUILDABLE : DONE
}

async function bought(missing: Parameters<typeof purchase>[0], offers: OfferBook, kits: readonly Kit[], seconds: number) {
  const known = new Set(kits.map(({ id }) => id))
  for (const supplier of offers.suppliers)
    for (const { id } of supplier.kits)
      if (!known.has(id))
        say(`note: what the kit “${id}” of ${supplier.id} holds is not known, so it is not bought. Name its file by --kits.`)
  const { loadSolver } = await import('../../solver/highs-solver')
  return purchase(missing, offers, kits, { solve: await loadSolver(), seconds })
}

/** "garden:2,harbour" → the kits and how many of each. @throws Fault `usage`, `bad-number` */
function kitsHad(text: string | undefined, kits: readonly Kit[]): KitHad[] {
  if (text === undefined) return []
  const byId = new Map(kits.map((kit) => [kit.id, kit]))
  return text.split(',').map((entry) => {
    const at = entry.lastIndexOf(':')
    const id = byId.has(entry) || at < 0 ? entry : entry.slice(0, at)
    const kit = byId.get(id)
    if (!kit)
      throw new Fault('usage', `There is no kit “${id}”.`, {
        place: '--have',
        wayOut: kits.length === 0 ? 'Name the file that says what is in it by --kits.' : `Known: ${[...byId.keys()].join(', ')}.`,
      })
    return { kit, count: id === entry ? 1 : wholeNumber('have', 0, MOST_COPIES)(entry.slice(at + 1)) }
  })
}
