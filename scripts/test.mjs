// Everything that must hold: lint, types, unit tests, browser tests. Ends with one plain line over all of them.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { ensureBuilt, ensureInstalled } from './prepare.mjs'

ensureInstalled()
ensureDebian()
const totals = { passed: 0, failed: 0, skipped: 0 }
const env = { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0' }
const result = (name, status, start) => `${name}: ${status === 0 ? 'ok' : 'failed'} (${Math.round((Date.now() - start) / 1000)} s)`

// Lint keeps one processor busy for four minutes; what the browser tests need, and the unit tests, share what is left.
await Promise.all([
  check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']),
  check('types', 'npx', ['vue-tsc', '--noEmit'])
    .then(() => check('rooms', 'npx', ['depcruise', 'src', '--config', '.dependency-cruiser.cjs']))
    .then(ensureBuilt)
    .then(() => tests('unit', 'npx', ['vitest', 'run'])),
])
await tests('browser', 'npx', ['playwright', 'test'])

console.log(`\n${totals.passed} passed, ${totals.failed} failed, ${totals.skipped} skipped`)
process.exit(totals.failed === 0 ? 0 : 1)

/** The browser, the PDF tools and the store of shared limits come from Debian. */
function ensureDebian() {
  const missing = []
  if (!existsSync('/usr/bin/chromium') && !existsSync('/usr/bin/chromium-headless-shell')) missing.push('chromium')
  if (!existsSync('/usr/bin/pdftotext')) missing.push('poppler-utils')
  if (!existsSync('/usr/bin/qpdf')) missing.push('qpdf')
  if (!existsSync('/usr/bin/redis-server')) missing.push('redis-server')
  if (missing.length === 0) return
  if (process.getuid?.() !== 0) {
    console.error(`The tests need ${missing.join(', ')}. Install them: sudo apt-get install ${missing.join(' ')}`)
    process.exit(1)
  }
  const quiet = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const args of [['update'], ['install', '-y', '--no-install-recommends', ...missing]]) {
    const result = spawnSync('apt-get', ['-qq', ...args], { stdio: ['ignore', 'ignore', 'inherit'], env: quiet })
    if (result.status !== 0) {
      console.error(`apt-get ${args.join(' ')} failed. Install by hand: ${missing.join(' ')}`)
      process.exit(1)
    }
  }
}

/** Runs a command to its end. @returns what it said, and its status; 1 where it could not be run */
async function ran(command, args) {
  const child = spawn(command, args, { env, stdio: ['ignore', 'pipe', 'pipe'] })
  const said = ['', '']
  const streams = [child.stdout, child.stderr]
  streams.forEach((stream, i) => stream.setEncoding('utf8').on('data', (text) => (said[i] += text)))
  const status = await new Promise((resolve) => child.on('error', () => resolve(1)).on('close', resolve))
  return { said: said.join(''), status }
}

/** One thing that holds or does not; what it says is shown when it ends. */
async function check(name, command, args) {
  const start = Date.now()
  const { said, status } = await ran(command, args)
  process.stdout.write(`${said}${result(name, status, start)}\n`)
  if (status === 0) totals.passed++
  else totals.failed++
}

/** A runner that closes with "name: N passed, N failed, N skipped". */
async function tests(name, command, args) {
  const start = Date.now()
  const { said, status } = await ran(command, args)
  process.stdout.write(`${said}${result(name, status, start)}\n`)
  const line = new RegExp(`^${name}: (\\d+) passed, (\\d+) failed, (\\d+) skipped$`, 'm').exec(said)
  const [passed, failed, skipped] = line ? line.slice(1).map(Number) : [0, 1, 0]
  totals.passed += passed
  totals.failed += status !== 0 && failed === 0 ? 1 : failed
  totals.skipped += skipped
}
