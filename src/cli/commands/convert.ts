import { formatOf, FORMATS } from '@core/formats'
import { listInWords } from '@core/words'
import { say } from '../console'
import { DONE } from '../exit-codes'
import { load, save } from '../files'
import type { DefineCommand } from './command'

const KNOWN = listInWords(FORMATS.map(({ extensions }) => extensions[0]!))

export const defineConvert: DefineCommand = (program, finish) =>
  program
    .command('convert <in> <out>')
    .description(`from one format to another, by extension: ${KNOWN}`)
    .action((input: string, output: string) => finish(convert(input, output)))

async function convert(input: string, output: string): Promise<number> {
  const format = formatOf(output, 'write')
  const model = await load(input)
  const losses = format.losses?.(model) ?? []
  if (losses.length > 0) say(`note: a ${format.title} cannot hold ${losses.join(', ')}`)
  await save(output, format.write(model))
  return DONE
}
