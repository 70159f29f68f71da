import { readFileSync, writeFileSync } from 'node:fs'
import { reportModel } from '@core/pipeline'
import { EFFORTS } from '@core/plan'
import { drawnSection, RailPainter, encodePng, PlaceReader } from '@core/picture'
import { catalogueOf, Flattener } from '@core/model'
const orig = (PlaceReader.prototype as any).doubtsWith
;(PlaceReader.prototype as any).doubtsWith = function (step: any, node: any, doubts: any, q: any) {
  const r = orig.call(this, step, node, doubts, q)
  if (node < 9 && q.inset.things.length) console.log(step, node, doubts.map((d:any)=>d.place.slip+d.differs.dots), '->', r.length, JSON.stringify(q.inset), this.enlargementOf(step, q.inset))
  return r
}
const model = JSON.parse(readFileSync(`demo/models/bird-table.rail.json`, 'utf8'))
const r = reportModel(model, { effort: EFFORTS.normal, reads: true })
const fl = new Flattener(model)
const s = r.report.sections.find(s=>s.id==='bird-table')!
const i = r.report.sections.indexOf(s)
console.log(JSON.stringify(s.steps.map(s=>s.moves)))
const p = new RailPainter(drawnSection(model, fl, r.report.sections, s.id), catalogueOf(model), { width: 800, height: 600 })
writeFileSync('/tmp/x/bt4.png', await encodePng(p.paint(3, r.looks[i]![3]!.view, r.looks[i]![3]!.insets)))
