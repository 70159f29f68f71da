import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { buildServer } from './app'
import { checkHere, CheckThread } from './check-pool'

const port = Number(process.env['PORT'] ?? 4173)
const host = process.env['HOST'] ?? '127.0.0.1'
/** The server stands in dist/node. */
const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url))

/** Unanswered requests are waited for no longer, ms. */
const DRAIN_MS = 20_000

const checker = new URL('./check.js', import.meta.url)
const thread = existsSync(fileURLToPath(checker)) ? new CheckThread(checker) : undefined

const server = await buildServer({
  data: process.env['JUMP_RAIL_DATA'] ?? at('../../data'),
  app: at('../app'),
  followPage: at('../follow/follow.html'),
  logs: true,
  check: thread?.check ?? checkHere,
})

let isStopping = false
async function stop(): Promise<void> {
  if (isStopping) return
  isStopping = true
  setTimeout(() => process.exit(1), DRAIN_MS).unref()
  await server.close()
  await thread?.close()
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop())

try {
  await server.listen({ port, host })
  process.stdout.write(`Jump Rail is at http://${host}:${port}\n`)
} catch (error) {
  process.stderr.write(`The server cannot start: ${(error as Error).message}\nSet PORT to another number.\n`)
  process.exit(1)
}
