import { findSuggestions, LEAST_GROUP } from '@core/suggestions'
import { print, say } from '../console'
import { DONE } from '../exit-codes'
import { loadFile } from '../files'
import { wholeNumber } from '../number-option'
import type { DefineCommand } from './command'

/** Groups larger than this are no sections. */
const MOST = 100_000

export const defineSections: DefineCommand = (program, finish) =>
  program
    .command('sections <file>')
    .description('what of a model could be made sections of their own, best first')
    .option('--json', 'as JSON, the only form there is')
    .option('--min <n>', 'parts of the smallest group', wholeNumber('min', 2, MOST), LEAST_GROUP)
    .action((file: string, values: { readonly min: number }) => finish(sections(file, values.min)))

async function sections(file: string, least: number): Promise<number> {
  const { model } = await loadFile(file)
  const suggestions = findSuggestions(model, { least })
  print({ suggestions: suggestions.map(({ said: _, ...suggestion }) => suggestion) })
  for (const { id, kind, groups, savesParts, reason } of suggestions)
    say(`${id}: ${kind}: ${groups.length} × ${groups[0]!.length} parts, saves ${savesParts}: ${reason}`)
  return DONE
}
