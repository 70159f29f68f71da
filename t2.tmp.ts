import { readFileSync } from 'node:fs'
import { reportModel } from '@core/pipeline'
import { insetsOf } from '@core/pipeline'
import { EFFORTS } from '@core/plan'
for (const f of process.argv.slice(2)) {
  const model = JSON.parse(readFileSync(f, 'utf8'))
  const t0 = process.cpuUsage()
  reportModel(model, { effort: 0 })
  const t1 = process.cpuUsage(t0)
  const t2 = process.cpuUsage()
  const r = reportModel(model, { effort: EFFORTS.normal, reads: true })
  const t3 = process.cpuUsage(t2)
  const ins = insetsOf(r)
  console.log(f.split('/').pop(), r.report.measures.misreadablePer100, 'insets', ins.length, 'of them told', r.looks.flat().filter(l=>l.insets?.some(x=>x.tellsPlaces)).length, 'steps', r.looks.flat().length, 'cpu', Math.round(t1.user/1000), Math.round(t3.user/1000))
  for (const x of r.report.findings.filter(({code})=>code==='misreadable')) console.log('   ', x.section, x.step, x.message.slice(0,70))
}
