import { it } from 'vitest'
import { reportModel, type LookCache } from '@core/pipeline'
import { PlanCache } from '@core/plan'
import { keepSteps, mergeWithNext, moveToNeighbour, splitStep } from '@core/edits'
const diff = (a: any, b: any, p = ''): void => {
  if (Object.is(a, b)) return
  if (typeof a === 'object' && a && typeof b === 'object' && b) {
    if (ArrayBuffer.isView(a)) { const x = a as any, y = b as any; if (x.constructor !== y.constructor) console.log(p, x.constructor.name, y.constructor.name); if (x.length !== y.length) console.log(p, 'len'); for (let i = 0; i < x.length; i++) if (!Object.is(x[i], y[i])) { console.log(p, i, x[i], y[i]); break } return }
    if (a instanceof Map) { console.log(p, 'map', a.size, b.size); return }
    for (const k of new Set([...Object.keys(a), ...Object.keys(b)])) diff(a[k], b[k], p + '.' + k)
    return
  }
  console.log(p, a, b, Object.is(a, -0), Object.is(b, -0))
}
it('x', () => {
  const heap = {"format":"jump-rail-model","version":1,"name":"Test","root":"main","sections":[{"id":"main","name":"Main","parts":[{"id":"p0","shape":"plate-2x2","colour":"slate","at":[0,0,0]},{"id":"p1","shape":"slope-inv-2x1","colour":"slate","at":[0,-10,-12],"turn":"-x-y"},{"id":"p2","shape":"plate-2x2","colour":"slate","at":[0,0,4],"turn":"+x+y"},{"id":"p3","shape":"plate-1x1","colour":"slate","at":[0,-10,0],"turn":"+x+y"},{"id":"p4","shape":"bracket-1x2-1x2-up","colour":"slate","at":[0,-10,4],"turn":"+x+y"},{"id":"p5","shape":"wedge-plate-2x3-left","colour":"slate","at":[-10,0,8],"turn":"+x+y"},{"id":"p7","shape":"slope-inv-2x1","colour":"slate","at":[10,-10,-12],"turn":"-x-y"}]}]} as never
  const cache = new PlanCache(); const looks: LookCache = new WeakMap()
  let model = keepSteps(heap, reportModel(heap).report.sections, 'main')
  for (const [kind, where, which] of [[0,0,0],[3,35,0],[0,0,0],[0,0,0]]) {
    const kept = reportModel(model, {}, cache, looks); const fresh = reportModel(structuredClone(model))
    diff(kept.report, fresh.report, 'report'); diff(kept.looks, fresh.looks, 'looks')
    const steps = model.sections[0]!.steps!; const at = where! % steps.length; const parts = steps[at]!.add ?? []
    try { model = kind! % 4 === 0 ? splitStep(model, kept.report.sections, { section: 'main', step: at }) : kind! % 4 === 1 ? mergeWithNext(model, kept.report.sections, { section: 'main', step: at }) : moveToNeighbour(model, kept.report.sections, { section: 'main', step: at }, { id: parts[which! % parts.length]!, way: kind! % 2 === 0 ? 1 : -1 }) } catch {}
  }
})
