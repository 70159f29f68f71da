import { BASE_CATALOGUE } from '../src/core/catalogue'
const s = BASE_CATALOGUE.shapes.get('figure-hat-brim')!
const by = new Map<number, string[]>()
for (const f of s.mesh) { const l = by.get(f.surface) ?? []; l.push(f.normal.map((v) => v.toFixed(2)).join(',') + ' z' + f.corners.map((c) => c[2].toFixed(1)).join('/') + ' r' + f.corners.map((c) => Math.hypot(c[0]-7, c[1]-7).toFixed(1)).join('/')); by.set(f.surface, l) }
for (const [k, l] of by) console.log(k, l.length, l.slice(0, 2).join(' | '))
