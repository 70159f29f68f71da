import { readFileSync } from 'node:fs'
import { town } from './buildings'
import { reportModel } from '../src/core/checks'
import { checkModel, readModelText } from '../src/core/model'
import { planModel, measurePlan } from '../src/core/plan'
for (const n of ['bird-table','ferry-house','granary',1700,20000]) {
  const m = typeof n === 'string' ? readModelText(readFileSync(`demo/models/${n}.rail.json`,'utf8')) : checkModel(town(n))
  let t = performance.now()
  const lap = (w: string) => { const now = performance.now(); console.log(n, w, Math.round(now - t)); t = now }
  const p = planModel(m); lap('plan')
  console.log(JSON.stringify(measurePlan(p.built, undefined)))
  if (n===20000) continue
  const { report } = reportModel(m); lap('report')
  console.log(report.sections.length, report.sections.reduce((s, x) => s + x.steps.length, 0), JSON.stringify(report.measures), report.findings.length, JSON.stringify(report.findings.slice(0,3)))
}
