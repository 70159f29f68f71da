import { readFile } from 'node:fs/promises'
import { Option } from 'commander'
import { planBooklet } from '@core/booklet'
import { hasErrors } from '@core/checks'
import { composeBooklet } from '@core/edits'
import { LANGUAGES, type Language } from '@core/language'
import { PAPERS, type Paper } from '@core/model'
import { EFFORTS } from '@core/plan'
import { listInWords } from '@core/words'
import { exportFor, EXPORTS, lettersLackingIn, lettersWithoutFace, type ExportAssets } from '@press/index'
import { coverOf } from '@press/cover'
import { say } from '../console'
import { DONE, NOT_BUILDABLE } from '../exit-codes'
import { loadFile, save } from '../files'
import type { DefineCommand } from './command'
import { versionChoice, withVersionOptions } from './version-options'

const KNOWN = listInWords(
  EXPORTS.map(({ extension }) => extension),
  'or',
)

export const defineBooklet: DefineCommand = (program, finish) =>
  withVersionOptions(program.command('booklet <file>').description('the booklet of a model as a file'))
    .requiredOption('-o, --output <file>', `what to write, by extension: ${KNOWN}`)
    .addOption(new Option('--paper <size>', 'of the pages, where it is not the one that the model names').choices(PAPERS))
    .addOption(new Option('--language <language>', 'that it speaks, where it is not the one that the model names').choices(LANGUAGES))
    .action((file: string, values: BookletValues) => finish(booklet(file, values)))

/** The command line stands in dist/node, beside dist/follow and dist/fonts. */
const asset = (path: string): Promise<Buffer> => readFile(new URL(path, import.meta.url))

const assets: ExportAssets = {
  font: (face, weight) => asset(`../fonts/${face}-${weight}.ttf`),
  followPage: async () => (await asset('../follow/follow.html')).toString('utf8'),
}

type BookletValues = { readonly output: string; readonly paper?: Paper; readonly language?: Language } & Parameters<typeof versionChoice>[0]

async function booklet(file: string, values: BookletValues): Promise<number> {
  const { output, paper, language } = values
  const { write, usesPaper } = exportFor(output)
  const { techniques, ...choice } = versionChoice(values)
  const { model } = await loadFile(file)
  const asked = techniques === undefined ? model : { ...model, techniques }
  const told = language === undefined ? asked : composeBooklet(asked, { language })
  const { bundle, report } = planBooklet(told, choice, { effort: EFFORTS.normal, reads: true })
  const lacking = usesPaper ? await lettersLackingIn(told, (letters) => lettersWithoutFace(letters, assets.font.bind(assets))) : []
  if (lacking.length > 0) say(`No typeface here has ${lacking.join(' ')}: the booklet shows an empty box for each.`)
  // Of a page the first picture stands there before it has painted one.
  const cover = usesPaper ? undefined : await coverOf(bundle)
  const whole = cover === undefined ? bundle : { ...bundle, cover }
  await save(output, await write({ bundle: whole, ...(paper ? { paper } : {}), aliases: [], assets }))
  return hasErrors(report.findings) ? NOT_BUILDABLE : DONE
}
