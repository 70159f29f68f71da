import { readdirSync, readFileSync } from 'node:fs'
import { expect, it } from 'vitest'

const SOURCES = new URL('../src/', import.meta.url)
const files = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' }).filter((file) => /\.(ts|vue)$/.test(file))

it('no two types of the house share a name', () => {
  const homes = new Map<string, string[]>()
  for (const file of files) {
    for (const [, name] of readFileSync(new URL(file, SOURCES), 'utf8').matchAll(
      /^(?:export )?(?:abstract )?(?:interface|type|class|enum) (\w+)/gm,
    )) {
      homes.set(name!, [...(homes.get(name!) ?? []), file])
    }
  }
  expect(homes.size).toBeGreaterThan(300)
  expect([...homes].filter(([, places]) => places.length > 1)).toEqual([])
})
