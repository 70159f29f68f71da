import { BASE_CATALOGUE } from '../src/core/catalogue'
const by = new Map<string, string[]>()
for (const s of BASE_CATALOGUE.shapes.values()) by.set(s.family, [...(by.get(s.family) ?? []), s.id])
for (const [f, l] of by) console.log(f, l.length, l.slice(0, 4).join(' '))
