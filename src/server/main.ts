import { fileURLToPath } from 'node:url'
import { buildServer } from './app'

const port = Number(process.env['PORT'] ?? 4173)
const host = process.env['HOST'] ?? '127.0.0.1'
/** The server stands in dist/node. */
const at = (path: string): string => fileURLToPath(new URL(path, import.meta.url))

const server = await buildServer({
  data: process.env['JUMP_RAIL_DATA'] ?? at('../../data'),
  app: at('../app'),
  followPage: at('../follow/follow.html'),
})

for (const signal of ['SIGTERM', 'SIGINT'] as const) {
  process.once(signal, () => {
    void server.close().then(() => process.exit(0))
  })
}

try {
  await server.listen({ port, host })
  process.stdout.write(`Jump Rail is at http://${host}:${port}\n`)
} catch (error) {
  process.stderr.write(`The server cannot start: ${(error as Error).message}\nSet PORT to another number.\n`)
  process.exit(1)
}
