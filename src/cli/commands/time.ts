import { durationsOf, readLog } from '@core/durations'
import { reportModel } from '@core/pipeline'
import { fileText } from '@core/words'
import { print } from '../console'
import { DONE } from '../exit-codes'
import { bytesOf, load } from '../files'
import type { DefineCommand } from './command'
import { planOptions, withPlanOptions } from './plan-options'
import { versionChoice, withVersionOptions } from './version-options'

type TimeValues = Parameters<typeof planOptions>[0] & Parameters<typeof versionChoice>[0] & { readonly log?: string }

export const defineTime: DefineCommand = (program, finish) =>
  withVersionOptions(withPlanOptions(program.command('time <file>').description('how long building and writing take')))
    .option('--json', 'as JSON, the only form there is')
    .option('--log <file>', 'what building took before')
    .action((file: string, values: TimeValues) => finish(time(file, values)))

async function time(file: string, values: TimeValues): Promise<number> {
  const model = await load(file, versionChoice(values))
  const runs = values.log === undefined ? [] : readLog(fileText(await bytesOf(values.log)))
  print(durationsOf(reportModel(model, planOptions(values)).report, runs))
  return DONE
}
