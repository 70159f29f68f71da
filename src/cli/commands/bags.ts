import { packBags } from '@core/bags'
import { deskPiece } from '@core/desk'
import { reportModel } from '@core/pipeline'
import { print } from '../console'
import { DONE } from '../exit-codes'
import { load } from '../files'
import { wholeNumber } from '../number-option'
import type { DefineCommand } from './command'
import { planOptions, withPlanOptions } from './plan-options'
import { versionChoice, withVersionOptions } from './version-options'

type BagsValues = Parameters<typeof planOptions>[0] &
  Parameters<typeof versionChoice>[0] & { readonly pieces: number; readonly booklets: number }

const MOST_PIECES = 100_000
const MOST_BOOKLETS = 100

export const defineBags: DefineCommand = (program, finish) =>
  withVersionOptions(withPlanOptions(program.command('bags <file>').description('which steps come out of which bag')))
    .option('--json', 'as JSON, the only form there is')
    .option('--pieces <n>', 'in one bag at most', wholeNumber('pieces', 1, MOST_PIECES), 120)
    .option('--booklets <n>', 'how many people build at the same time', wholeNumber('booklets', 1, MOST_BOOKLETS), 1)
    .action((file: string, values: BagsValues) => finish(bags(file, values)))

async function bags(file: string, values: BagsValues): Promise<number> {
  const model = await load(file, versionChoice(values))
  const packed = packBags(model, reportModel(model, planOptions(values)).report, values)
  print({ ...packed, bags: packed.bags.map((bag) => ({ ...bag, tray: bag.tray.map(deskPiece) })) })
  return DONE
}
