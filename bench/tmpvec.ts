import { readFileSync, writeFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import { readModelText, Flattener, catalogueOf } from '/work/main/src/core/model'
import { reportModel } from '/work/main/src/core/checks'
import { drawnSection, RailPainter, writeSvg, encodePng } from '/work/main/src/core/picture'
const [m, s, n] = process.argv.slice(2)
const model = readModelText(readFileSync(`/work/main/demo/models/${m}.rail.json`, 'utf8'))
const { report } = reportModel(model)
const sec = drawnSection(model, new Flattener(model), report.sections, s!)
const p = new RailPainter(sec, catalogueOf(model), { width: 800, height: 600 })
let t = performance.now(); const png = await encodePng(p.paint(+n! - 1, 0)); console.log('png', png.length, performance.now() - t)
t = performance.now(); let d = p.draw(+n! - 1, 0)!; console.log('draw', performance.now() - t)
t = performance.now(); d = p.draw(+n! - 1, 0)!; console.log('draw again', performance.now() - t)
import('node:v8');
const svg = writeSvg(d); writeFileSync(`/tmp/v/${m}-${s}-${n}.svg`, svg); writeFileSync(`/tmp/v/${m}-${s}-${n}.png`, png)
console.log('svg', svg.length, gzipSync(svg).length, d.items.length)
