// Writes docs/errors.md and docs/files.md from the registries, docs/findings.md from the models of tests/findings: `npm run docs`. A test says when they are out of date.
import { writeFileSync } from 'node:fs'
import { errorsDoc, filesDoc } from './docs-text.ts'
import { findingsDoc } from './findings-text.ts'

writeFileSync(new URL('../docs/errors.md', import.meta.url), errorsDoc())
writeFileSync(new URL('../docs/findings.md', import.meta.url), findingsDoc())
writeFileSync(new URL('../docs/files.md', import.meta.url), filesDoc())
