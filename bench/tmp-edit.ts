import { checkModel } from '../src/core/model'
import { timeEdits } from './edits'
import { town } from './buildings'
const n = Number(process.argv[2] ?? 20000)
const t = timeEdits(checkModel(town(n)), 'town', 200)
console.log(n, t[100]!.toFixed(1), t[190]!.toFixed(1), t[199]!.toFixed(1))
