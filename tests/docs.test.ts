import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { errorsDoc, filesDoc } from '../scripts/docs-text'
import { findingsDoc } from '../scripts/findings-text'

const doc = (name: string): string => readFileSync(new URL(`../docs/${name}.md`, import.meta.url), 'utf8')

it.each([
  ['errors', errorsDoc],
  ['files', filesDoc],
  ['findings', findingsDoc],
])('docs/%s.md says what the registries say (npm run docs)', (name, text) => {
  expect(doc(name)).toBe(text())
})
