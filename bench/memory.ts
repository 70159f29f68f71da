import { readFileSync } from 'node:fs'
import { readModelText } from '../src/core/model'
import { planModel } from '../src/core/plan'

/** Plans the model of a file in a process of its own and prints what the process took at most, in MB, node itself included. */
planModel(readModelText(readFileSync(process.argv[2]!, 'utf8')))
process.stdout.write(String(Math.round(process.resourceUsage().maxRSS / 1024)))
