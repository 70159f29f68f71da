import { readFileSync } from 'node:fs'
import { deflateSync } from 'node:zlib'
import { readModelText, Flattener, catalogueOf } from '../src/core/model'
import { reportModel, viewsOf } from '../src/core/checks'
import { drawnSection, RailPainter, writeSvg, deflateRows } from '../src/core/picture'
const model = readModelText(readFileSync(`demo/models/${process.argv[2]}.rail.json`, 'utf8'))
const { report, looks } = reportModel(model)
const views = viewsOf(looks)
let [tp, td, sp, sd, n, none] = [0, 0, 0, 0, 0, 0]
const big: string[] = []
for (const [i, s] of report.sections.entries()) {
  const sec = drawnSection(model, new Flattener(model), report.sections, s.id)
  const p = new RailPainter(sec, catalogueOf(model), { width: 800, height: 600 })
  for (let k = 0; k < s.steps.length; k++) {
    const v = (views[i]?.[k] ?? 0) as 0
    let t = performance.now(); const img = p.paint(k, v); tp += performance.now() - t
    sp += (await deflateRows(img)).length
    t = performance.now(); const d = p.draw(k, v); const ms = performance.now() - t; td += ms
    n++
    if (!d) none++
    else { const z = deflateSync(writeSvg(d)).length; sd += z; if (ms > 300) big.push(`${s.id} ${k + 1} ${ms.toFixed(0)}ms ${z}`) }
  }
}
console.log(process.argv[2], 'steps', n, 'paint ms', (tp / n).toFixed(0), 'draw ms', (td / n).toFixed(0), 'png KB', (sp / n / 1024).toFixed(0), 'vec KB', (sd / n / 1024).toFixed(0), 'none', none, big.join('; '))
