// Starts the application: installs what is missing, builds what is not current, then runs the server.
import { spawn } from 'node:child_process'
import { ensureInstalled, ensureBuilt } from './prepare.mjs'

const [major, minor] = process.versions.node.split('.').map(Number)
if (major < 20 || (major === 20 && minor < 19)) {
  console.error(`Jump Rail needs Node 20.19 or newer; this is ${process.versions.node}.`)
  process.exit(1)
}
ensureInstalled()
ensureBuilt()
if (process.argv.includes('--only-build')) process.exit(0)
const server = spawn(process.execPath, ['dist/node/server.js'], { stdio: 'inherit' })
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
// Killed from outside is no clean end.
server.on('exit', (code) => process.exit(code ?? 1))
