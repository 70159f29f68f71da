import { parentPort } from 'node:worker_threads'
import { plainFault } from '@core/fault'
import { checkHere, type CheckTask } from './check-tasks'

parentPort!.on('message', ({ name, args }: CheckTask) => {
  try {
    const act = checkHere[name] as (...args: readonly unknown[]) => unknown
    parentPort!.postMessage({ result: act(...args) })
  } catch (thrown) {
    parentPort!.postMessage({ fault: plainFault(thrown) })
  }
})
