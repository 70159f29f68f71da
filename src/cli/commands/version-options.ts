import type { Command } from 'commander'
import type { VersionChoice } from '@core/model'

interface VersionValues {
  readonly variant?: string
  readonly with?: string
  readonly without?: string
}

/** Options of every command that looks at one version of a model. */
export const withVersionOptions = (command: Command): Command =>
  command
    .option('--variant <id>', 'a variant of the model')
    .option('--with <ids>', 'options that are in: "caps,lamp"')
    .option('--without <ids>', 'options that are not')

const ids = (text: string): string[] => text.split(',').filter((id) => id !== '')

/** What those options say. */
export const versionChoice = (values: VersionValues): VersionChoice => ({
  ...(values.variant === undefined ? {} : { variant: values.variant }),
  ...(values.with === undefined ? {} : { with: ids(values.with) }),
  ...(values.without === undefined ? {} : { without: ids(values.without) }),
})
