import { Command, CommanderError } from 'commander'
import { Fault, faultLine, plainFault } from '@core/fault'
import { defineBags } from './commands/bags'
import { defineBooklet } from './commands/booklet'
import type { DefineCommand } from './commands/command'
import { defineConvert } from './commands/convert'
import { definePicture } from './commands/picture'
import { defineCheck, definePlan } from './commands/plan'
import { defineParts } from './commands/parts'
import { defineSections } from './commands/sections'
import { defineShapes } from './commands/shapes'
import { defineTime } from './commands/time'
import { say } from './console'
import { DONE, FAILED, REFUSED } from './exit-codes'

/** Every command. A new one is a file of its own and a line here. */
const COMMANDS: readonly DefineCommand[] = [
  definePlan,
  defineCheck,
  definePicture,
  defineBooklet,
  defineConvert,
  defineSections,
  defineParts,
  defineBags,
  defineTime,
  defineShapes,
]

/** Runs the command that was asked for. @returns its exit code */
async function run(args: readonly string[]): Promise<number> {
  let code = DONE
  const program = new Command('npm run -s cli --').usage('COMMAND FILE [options]').exitOverride()
  // What the parser says of its own is told with the refusal below.
  program.configureOutput({ writeErr: () => undefined })
  for (const define of COMMANDS) {
    define(program, async (result) => {
      code = await result
    })
  }
  for (const command of program.commands)
    command
      .exitOverride()
      .configureOutput({ writeErr: () => undefined })
      .allowExcessArguments(false)
  if (args.length === 0) throw new Fault('usage', 'No command was given.', { wayOut: `\n${program.helpInformation()}` })
  await program.parseAsync(args, { from: 'user' })
  return code
}

/** What the parser refuses is the person's; what else is no fault of the input is the program's own, and said so. */
function exitCodeOf(thrown: unknown): number {
  if (thrown instanceof CommanderError) {
    if (thrown.exitCode === 0) return DONE
    say(`refused: ${thrown.message.replace(/^error: /, '')}. “npm run -s cli -- help” lists the commands and their options.`)
    return REFUSED
  }
  const isRefusal = thrown instanceof Fault
  const fault = plainFault(thrown)
  for (const problem of fault.problems ?? []) say(`error: ${faultLine({ code: fault.code, ...problem })}`)
  say(`${isRefusal ? 'refused' : 'failed: an error of the program itself'}: ${faultLine(fault)}`)
  return isRefusal ? REFUSED : FAILED
}

// Not awaited at the top: what is fetched later may import this file, and would wait for its end for ever.
void run(process.argv.slice(2))
  .catch(exitCodeOf)
  .then((code) => {
    process.exitCode = code
  })
