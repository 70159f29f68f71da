import type { Command } from 'commander'

/**
 * A command: it describes itself to the parser, and its action returns an exit code. What the parser does not know, or what does
 * not fit the command, is refused before the action runs.
 */
export type DefineCommand = (command: Command, finish: (code: Promise<number> | number) => void | Promise<void>) => void
