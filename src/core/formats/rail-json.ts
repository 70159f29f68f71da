import { readModelText, type ModelDocument } from '../model'
import { fileText } from '../words'
import { understood, type Format } from './format'

export const railJson = {
  id: 'rail-json',
  title: 'model file',
  short: 'file',
  extensions: ['.rail.json', '.json'],
  written: ['.rail.json', '.json'],
  mediaType: 'application/json',
  about: 'The whole document: every part, copy and step on a line of its own.',
  read: (bytes) => understood(readModelText(fileText(bytes))),
  write: writeModelText,
} satisfies Format

/** The document as a `.rail.json`: every part, copy and step on a line of its own, so that files compare well. */
function writeModelText(model: ModelDocument): string {
  const lines = Object.entries(model).map(([key, value]) => {
    const text = key === 'sections' ? list(model.sections.map(sectionText), '  ') : JSON.stringify(value)
    return `  ${JSON.stringify(key)}: ${text}`
  })
  return `{\n${lines.join(',\n')}\n}\n`
}

function sectionText(section: ModelDocument['sections'][number]): string {
  const lines = Object.entries(section).map(([key, value]: [string, unknown]) => {
    const text = Array.isArray(value)
      ? list(
          value.map((entry) => JSON.stringify(entry)),
          '      ',
        )
      : JSON.stringify(value)
    return `      ${JSON.stringify(key)}: ${text}`
  })
  return `{\n${lines.join(',\n')}\n    }`
}

const list = (items: readonly string[], indent: string): string =>
  items.length === 0 ? '[]' : `[\n${items.map((item) => `${indent}  ${item}`).join(',\n')}\n${indent}]`
