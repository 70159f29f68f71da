import { randomBytes } from 'node:crypto'
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import compress from '@fastify/compress'
import helmet from '@fastify/helmet'
import rateLimit from '@fastify/rate-limit'
import fastifyStatic from '@fastify/static'
import Fastify, { type FastifyInstance } from 'fastify'
import { Fault, plainFault } from '@core/fault'
import { BUNDLE_BYTES, checkBundle } from '@core/formats'
import { writeHtml } from '@press/html'
import { BundleShelf } from './bundles'

export interface ServerOptions {
  /** Folder of published bundles. */
  readonly data: string
  /** Folder of the built application. */
  readonly app: string
  /** The built page of the follower. */
  readonly followPage: string
  readonly logger?: boolean
  /** Publishing a minute from one address. */
  readonly publishLimit?: number
}

const STATUS: Readonly<Record<string, number>> = { 'no-bundle': 404, 'bad-address': 404 }

/** The whole server: the application, published booklets, and nothing of anybody's models. */
export async function buildServer(options: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({ logger: options.logger ?? false, bodyLimit: BUNDLE_BYTES, forceCloseConnections: true })
  const shelf = new BundleShelf(options.data)
  await shelf.prepare()
  await server.register(helmet, { contentSecurityPolicy: false })
  await server.register(compress, { global: true })
  await server.register(rateLimit, { global: false })

  server.addHook('onSend', async (_request, reply, payload) => {
    if (!reply.hasHeader('content-security-policy')) reply.header('content-security-policy', policy("'self'"))
    return payload
  })

  server.setErrorHandler((error: Error & { statusCode?: number; code?: string }, _request, reply) => {
    if (error instanceof Fault) return reply.code(STATUS[error.code] ?? 400).send(plainFault(error))
    if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE') {
      return reply.code(413).send({ code: 'too-large', message: 'The booklet is larger than 32 MiB.', wayOut: 'Publish it in parts.' })
    }
    const status = error.statusCode ?? 500
    if (status >= 500) server.log.error(error)
    const code = status === 429 ? 'too-often' : status < 500 ? 'bad-request' : 'unexpected'
    return reply.code(status).send({ code, message: status < 500 ? error.message : 'The server failed. Try again.' })
  })

  server.get('/healthz', () => ({ status: 'ok' }))

  server.post(
    '/api/bundles',
    { config: { rateLimit: { max: options.publishLimit ?? 30, timeWindow: '1 minute' } } },
    async (request, reply) => {
      const { id, isNew } = await shelf.put(checkBundle(request.body))
      return reply.code(isNew ? 201 : 200).send({ id, path: `/f/${id}` })
    },
  )

  server.get<{ Params: { id: string } }>('/api/bundles/:id', async (request, reply) => {
    const text = await shelf.get(request.params.id)
    return reply.header('cache-control', 'public, max-age=31536000, immutable').type('application/json').send(text)
  })

  server.get<{ Params: { id: string } }>('/f/:id', async (request, reply) => {
    const text = await shelf.get(request.params.id)
    const nonce = randomBytes(16).toString('base64')
    const page = writeHtml(await readFile(options.followPage, 'utf8'), checkBundle(JSON.parse(text)))
    return reply
      .header('content-security-policy', policy(`'nonce-${nonce}'`))
      .type('text/html')
      .send(page.replaceAll('<script type="module"', `<script nonce="${nonce}" type="module"`))
  })

  if (existsSync(options.app)) {
    await server.register(fastifyStatic, {
      root: options.app,
      setHeaders: (reply, path) => {
        reply.header('cache-control', path.includes(`${join('/', 'assets', '/')}`) ? 'public, max-age=31536000, immutable' : 'no-cache')
      },
    })
    await server.register(fastifyStatic, { root: join(options.followPage, '..'), prefix: '/follow/', decorateReply: false })
    server.setNotFoundHandler((request, reply) => {
      if (request.method !== 'GET' || request.url.startsWith('/api/') || /\.[a-z0-9]+$/i.test(request.url)) {
        return reply.code(404).send({ code: 'not-found', message: 'There is nothing at this address.' })
      }
      return reply.type('text/html').sendFile('index.html')
    })
  }
  return server
}

/** Scripts from here only; workers may come from what a page made itself; the interface library writes styles. */
const policy = (scripts: string): string =>
  [
    "default-src 'self'",
    `script-src ${scripts} 'wasm-unsafe-eval'`,
    "worker-src 'self' blob:",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join('; ')
