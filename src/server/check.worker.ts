import { parentPort } from 'node:worker_threads'
import { plainFault } from '@core/fault'
import { checkText } from './check-text'

parentPort!.on('message', (text: string) => {
  try {
    parentPort!.postMessage({ text: checkText(text) })
  } catch (thrown) {
    parentPort!.postMessage({ fault: plainFault(thrown) })
  }
})
