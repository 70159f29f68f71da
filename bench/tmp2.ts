import { town } from './buildings'
import { checkModel } from '../src/core/model'
import { planModel } from '../src/core/plan'
const m = checkModel(town(20000))
for (let i=0;i<2;i++){ const t=performance.now(); planModel(m); console.log(performance.now()-t)}
