import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { buildServer } from './app'
import { CheckThread } from './check-thread'
import { openCounter } from './limits'
import { openStore } from './store'

const port = Number(process.env['PORT'] ?? 4173)
const host = process.env['HOST'] ?? '127.0.0.1'
/** The server stands in dist/node. */
const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url))

/** Unanswered requests are waited for no longer, ms. */
const DRAIN_MS = 19_000

const say = (code: string, error: Error): void =>
  void process.stderr.write(`${JSON.stringify({ level: 50, time: Date.now(), code, error: error.message })}\n`)

/** An error of the limits' store a second is enough. */
let lastTrouble = 0
function onTrouble(error: Error): void {
  if (Date.now() - lastTrouble < 1000) return
  lastTrouble = Date.now()
  say('no-limits', error)
}

const checker = new URL('./check.js', import.meta.url)
const proxies = process.env['JUMP_RAIL_PROXIES']

async function start(): Promise<void> {
  const server = await buildServer({
    store: await openStore(process.env['JUMP_RAIL_STORE'] ?? process.env['JUMP_RAIL_DATA'] ?? at('../../data')),
    counter: await openCounter(process.env['JUMP_RAIL_LIMITS'], onTrouble),
    app: at('../app'),
    followPage: at('../follow/follow.html'),
    logs: true,
    ...(existsSync(fileURLToPath(checker)) ? { checker: new CheckThread(checker) } : {}),
    ...(proxies === undefined ? {} : { proxies }),
  })
  let isStopping = false
  async function stop(): Promise<void> {
    if (isStopping) return
    isStopping = true
    setTimeout(() => process.exit(1), DRAIN_MS).unref()
    await server.close()
    process.exit(0)
  }
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.on(signal, () => void stop())
  await server.listen({ port, host })
  process.stdout.write(`Jump Rail is at http://${host}:${port}\n`)
}

// Not awaited at the top: what is fetched later may import this file, and would wait for its end for ever.
start().catch((error: unknown) => {
  process.stderr.write(
    `The server cannot start: ${(error as Error).message}\nSet PORT to another number, or JUMP_RAIL_STORE to where booklets can be kept.\n`,
  )
  process.exit(1)
})
