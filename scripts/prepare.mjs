// What both `npm start` and `npm test` need first. Nothing but Node, since nothing may be installed yet.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const top = fileURLToPath(new URL('..', import.meta.url))
process.chdir(top)

/** Runs a command with its output shown; ends the program when it fails. */
function run(command, args, options = {}) {
  const result = spawnSync(command, args, { stdio: 'inherit', ...options })
  if (result.error || result.status !== 0) {
    console.error(`Failed: ${command} ${args.join(' ')}`)
    process.exit(result.status || 1)
  }
}

/** `npm ci` when there is nothing installed, or something else than the lock file says. */
export function ensureInstalled() {
  const wanted = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex')
  const mark = join('node_modules', '.jump-rail-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return
  console.log('Installing packages…')
  run('npm', ['ci', '--no-audit', '--no-fund'])
  writeFileSync(mark, wanted)
}

const SOURCES = [
  'src',
  'demo/models',
  'public',
  'index.html',
  'follow.html',
  'package-lock.json',
  'vite.config.ts',
  'vite.follow.config.ts',
  'vite.node.config.ts',
  'vite.shared.ts',
  'scripts',
]

/** A fingerprint of everything the build reads: names, sizes and contents. */
function fingerprint() {
  const hash = createHash('sha256')
  const visit = (path) => {
    if (statSync(path).isDirectory()) for (const entry of readdirSync(path).sort()) visit(join(path, entry))
    else if (!path.endsWith('.test.ts')) hash.update(path).update(readFileSync(path))
  }
  SOURCES.forEach(visit)
  return hash.digest('hex')
}

/** Builds the application, the follower's page, the server and the command line when any source has changed. */
export function ensureBuilt() {
  const now = fingerprint()
  const mark = join('dist', '.built')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return
  console.log('Building…')
  run('npm', ['run', '-s', 'build'])
  mkdirSync('dist', { recursive: true })
  writeFileSync(mark, now)
}
