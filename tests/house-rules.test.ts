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

/** What stands in a template as it is shown: text, attributes that are read, and sentences within expressions. */
function writtenIn(template: string): string[] {
  const shown = template.replace(/<!--.*?-->|<kbd>.*?<\/kbd>/gs, '')
  const attributes = [...shown.matchAll(/\s(?:aria-label|label|title|alt|placeholder)="([^"]*)"/g)].map((match) => match[1]!)
  const sentences = [...shown.matchAll(/'([A-Z][^']*)'/g)].map((match) => match[1]!)
  const text = shown.replace(/\{\{.*?\}\}/gs, ' ').replace(/<(?:[^>"]|"[^"]*")*>/gs, ' ')
  return [...attributes.filter((value) => value !== 'https://'), ...sentences, text].flatMap((each) => each.match(/\p{L}{2,}/gu) ?? [])
}

it('what is read on a screen stands in the files of messages, in every language', () => {
  const shown = files.filter((file) => file.endsWith('.vue'))
  expect(shown.length).toBeGreaterThan(130)
  const written = shown.flatMap((file) => {
    const template = /<template>(.*)<\/template>/s.exec(readFileSync(new URL(file, SOURCES), 'utf8'))?.[1] ?? ''
    return writtenIn(template).map((word) => `${file}: ${word}`)
  })
  expect(written).toEqual([])
})

it('no space stands at an edge of an element beside an expression: the compiler of templates drops it', () => {
  const lost = files
    .filter((file) => file.endsWith('.vue'))
    .flatMap(
      (file) => readFileSync(new URL(file, SOURCES), 'utf8').match(/<[a-zA-Z](?:[^<>"]|"[^"]*")*(?<!\/)> +\{\{.*|.*\}\} +<\/.*/g) ?? [],
    )
  expect(lost).toEqual([])
})
