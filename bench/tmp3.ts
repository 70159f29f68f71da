import { town } from './buildings'
import { reportModel } from '../src/core/checks'
import { checkModel } from '../src/core/model'
const m = checkModel(town(1700))
for (let i=0;i<2;i++){ const t=performance.now(); const {report}=reportModel(m); console.log(performance.now()-t, JSON.stringify(report.measures), report.findings.map(f=>f.code+f.step+f.parts).join(' '))}
