import { ADVICE_IN_ENGLISH } from '@core/language'
import { Option } from 'commander'
import { Fault, plainFault, type PlainFault } from '@core/fault'
import { formatOf, FORMATS, type ReadFile, type ReadOptions } from '@core/formats'
import { cutUp, LEAST_GROUP, SAVING_KINDS, SUGGESTION_KINDS, type SuggestionKind } from '@core/suggestions'
import { listInWords } from '@core/words'
import { say } from '../console'
import { DONE, NEEDS_PERSON } from '../exit-codes'
import { loadFile, save } from '../files'
import { positiveNumber, wholeNumber } from '../number-option'
import type { DefineCommand } from './command'

const KNOWN = listInWords(FORMATS.map(({ extensions }) => extensions[0]!))

interface ConvertValues {
  readonly report?: string
  readonly scale?: number
  readonly up?: 'y' | 'z'
  readonly reverse?: boolean
  readonly cut?: true | string
  readonly min: number
}

export const defineConvert: DefineCommand = (program, finish) =>
  program
    .command('convert <in> <out>')
    .description(`from one format to another, by extension: ${KNOWN}`)
    .option('--report <file>', 'write what was understood, as JSON')
    .option('--scale <mm>', 'mm a unit of a drawing', positiveNumber('scale'))
    .addOption(new Option('--up <axis>', 'the axis of a drawing that points up').choices(['y', 'z']))
    .option('--reverse', 'a log of taking apart: its steps in building order')
    .option('--cut [kinds]', `make sections of what repeats; kinds: ${SUGGESTION_KINDS.join(', ')}`)
    .option('--min <n>', 'parts of the smallest group', wholeNumber('min', 2, 100_000), LEAST_GROUP)
    .action((input: string, output: string, values: ConvertValues) => finish(convert(input, output, values)))

async function convert(input: string, output: string, values: ConvertValues): Promise<number> {
  const format = formatOf(output, 'write')
  const read = await loadReported(input, values)
  for (const { place, said, made } of read.remarks) say(`note: ${place}: ${said === '' ? '' : `“${said}”: `}${made}`)
  const { model, taken } =
    values.cut === undefined ? { model: read.model, taken: undefined } : cutUp(read.model, cutKinds(values.cut), { least: values.min })
  const losses = (format.losses?.(model) ?? []).map(ADVICE_IN_ENGLISH.say)
  if (losses.length > 0) say(`note: a ${format.title} cannot hold ${losses.join(', ')}`)
  await save(output, format.write(model))
  await report(values.report, {
    ...read.report,
    ...(taken ? { cut: taken.map(({ kind, groups, savesParts }) => ({ kind, groups, savesParts })) } : {}),
    ...(losses.length > 0 ? { notWritten: losses } : {}),
  })
  return read.remarks.some(({ needsPerson }) => needsPerson) ? NEEDS_PERSON : DONE
}

/** "repeat,mirror" → those kinds; without any, all that save telling. @throws Fault `bad-value` */
function cutKinds(said: true | string): readonly SuggestionKind[] {
  if (said === true) return SAVING_KINDS
  return said.split(',').map((each) => {
    const kind = SUGGESTION_KINDS.find((known) => known === each.trim())
    if (kind) return kind
    throw new Fault('bad-value', `“${each}” is no kind of suggestion.`, { wayOut: `Known are ${listInWords(SUGGESTION_KINDS)}.` })
  })
}

const readOptions = ({ scale, up, reverse }: ConvertValues): ReadOptions => ({
  ...(scale === undefined ? {} : { mmPerUnit: scale }),
  ...(up === undefined ? {} : { up }),
  ...(reverse === true ? { isReversed: true } : {}),
})

/** Reads a file; where it is refused, the report that was asked for says why, all at once. @throws Fault */
async function loadReported(input: string, values: ConvertValues): Promise<ReadFile> {
  try {
    return await loadFile(input, readOptions(values))
  } catch (thrown) {
    if (thrown instanceof Fault) {
      const fault = plainFault(thrown)
      const errors: readonly Partial<PlainFault>[] = fault.problems ?? [fault]
      await report(values.report, {
        refused: fault.code,
        message: fault.message,
        errors,
        ...(fault.wayOut ? { wayOut: fault.wayOut } : {}),
      })
    }
    throw thrown
  }
}

async function report(path: string | undefined, value: object): Promise<void> {
  if (path !== undefined) await save(path, `${JSON.stringify(value, null, 1)}\n`)
}
