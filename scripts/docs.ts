// Writes docs/errors.md and docs/files.md from the registries: `npm run docs`. A test says when they are out of date.
import { writeFileSync } from 'node:fs'
import { errorsDoc, filesDoc } from './docs-text.ts'

writeFileSync(new URL('../docs/errors.md', import.meta.url), errorsDoc())
writeFileSync(new URL('../docs/files.md', import.meta.url), filesDoc())
