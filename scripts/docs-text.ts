import { CHECKS, checkOf, findingTitle, type Scope } from '../src/core/checks'
import { ADVICE_IN_ENGLISH } from '../src/core/language'
import { FAULT_CODES } from '../src/core/fault'
import { FORMATS } from '../src/core/formats'
import { EXPORTS } from '../src/press/exports/registry'

const table = (head: readonly string[], rows: readonly (readonly string[])[]): string =>
  [head, head.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n')

const code = (text: string): string => `\`${text}\``

const SCOPES: Readonly<Record<Scope, string>> = {
  rail: 'every section with steps',
  section: 'each section of the document',
  unit: 'units made of some parts of a section',
  model: 'the finished model',
}

/** docs/errors.md: what the program refuses, and what it finds. */
export const errorsDoc = (): string => `# Errors and findings

Made from the registries by \`npm run docs\`; do not edit by hand.

## What is refused

Every refusal is a \`Fault\` (\`src/core/fault\`): a code for programs, a sentence for the person, the place, and a way out where there is
one. Bad input is refused whole and changes nothing. The command line ends with 2 then, and with 3 where the program itself failed.

${table(
  ['code', 'meaning'],
  Object.entries(FAULT_CODES).map(([name, meaning]) => [code(name), meaning]),
)}

## What the checks find

A finding is no refusal: the plan stands, and says what is wrong with it. The command line ends with 1 where an error stands. Each check is one
object in a file of its own in \`src/core/checks\`.

${table(
  ['code', 'severity', 'title', 'what it looks for', 'looks at', 'ways out'],
  CHECKS.map((check) => [
    code(check.code),
    check.severity,
    findingTitle(check.code, ADVICE_IN_ENGLISH),
    check.about,
    SCOPES[check.scope],
    checkOf(check.code)?.waysOut ? 'by one click' : 'the designer’s',
  ]),
)}
`

/** docs/files.md: what goes in and out. */
export const filesDoc = (): string => `# Files

Made from the registries by \`npm run docs\`; do not edit by hand. What stands in a model file says docs/format.md.

## Models

${table(
  ['extension', 'what it is', 'read', 'written', 'what stands in it'],
  FORMATS.map((format) => [
    format.extensions.map(code).join(' '),
    format.title,
    format.read ? 'yes' : 'no',
    format.write ? (format.losses ? 'yes, and says what it cannot hold' : 'yes') : 'no',
    format.about,
  ]),
)}

## Booklets

${table(
  ['extension', 'on its button', 'what it is good for'],
  EXPORTS.map(({ extension, title, about }) => [code(extension), title, about]),
)}
`
