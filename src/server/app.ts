import { randomBytes } from 'node:crypto'
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import type { Socket } from 'node:net'
import { join } from 'node:path'
import compress from '@fastify/compress'
import rateLimit from '@fastify/rate-limit'
import fastifyStatic from '@fastify/static'
import Fastify, { LogController, type FastifyInstance, type FastifyReply, type FastifyRequest } from 'fastify'
import { Fault, plainFault, type PlainFault } from '@core/fault'
import { BUNDLE_BYTES } from '@core/formats'
import { writeHtmlText } from '@press/html'
import { BundleShelf } from './bundles'
import { checkHere, type CheckBooklet } from './check-pool'
import { errorPage } from './error-page'
import { COMMON_HEADERS, contentPolicy } from './headers'
import { SpaceLimit } from './space-limit'

export interface ServerOptions {
  /** Folder of published bundles. */
  readonly data: string
  /** Folder of the built application. */
  readonly app: string
  /** The built page of the follower. */
  readonly followPage: string
  /** Writes a line of JSON for each refusal and failure to stderr; nothing of who asked. */
  readonly logs?: boolean
  /** Checks what is published; in this thread when missing. */
  readonly check?: CheckBooklet
  /** Publishing a minute from one address. */
  readonly publishLimit?: number
  /** Views of booklets a minute from one address. */
  readonly viewLimit?: number
  /** Bytes an hour from one address. */
  readonly spaceLimit?: number
}

const STATUS: Readonly<Record<string, number>> = {
  'no-bundle': 404,
  'bad-address': 404,
  damaged: 500,
  'too-much': 429,
  'too-slow': 422,
  'too-much-work': 422,
}
const HOUR_MS = 3600 * 1000
const SPACE = 512 * 1024 * 1024

/** Slow clients are not waited for, ms. */
const TIMES = { headers: 10_000, request: 60_000, idle: 20_000 }

/** The whole server: the application, published booklets, and nothing of anybody's models. */
export async function buildServer(options: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({
    logger: options.logs ? { level: 'info', stream: process.stderr } : false,
    logController: new LogController({ disableRequestLogging: true }),
    bodyLimit: BUNDLE_BYTES,
    requestTimeout: TIMES.request,
    keepAliveTimeout: TIMES.idle,
    connectionTimeout: TIMES.idle * 2,
    // What is under way is answered when the server is told to stop; connections that only wait are closed.
    forceCloseConnections: 'idle',
    clientErrorHandler: refuseNonsense,
  })
  server.server.headersTimeout = TIMES.headers
  const shelf = new BundleShelf(options.data)
  await shelf.prepare()
  answerAlike(server)
  await server.register(compress, { global: true })
  await server.register(rateLimit, { global: false })
  // The text is checked beside this thread, so it is not read here.
  server.removeContentTypeParser('application/json')
  server.addContentTypeParser('application/json', { parseAs: 'string' }, (_request, body, done) => done(null, body))
  addHealth(server, shelf)
  addBooklets(server, shelf, options)
  await addPages(server, options)
  return server
}

/** The same headers and the same form of refusal everywhere. */
function answerAlike(server: FastifyInstance): void {
  let isClosing = false
  server.addHook('preClose', async () => {
    isClosing = true
  })
  server.addHook('onSend', async (_request, reply, payload) => {
    // Whoever is answered while the server stops must not keep it waiting for more.
    if (isClosing) reply.header('connection', 'close')
    for (const [name, value] of Object.entries(COMMON_HEADERS)) if (!reply.hasHeader(name)) reply.header(name, value)
    return payload
  })
  server.setErrorHandler((error: Error & { statusCode?: number; code?: string }, request, reply) => {
    const [status, fault] = refusalOf(error)
    if (status >= 500) server.log.error({ code: fault.code, error: error.message }, 'failed')
    else server.log.info({ code: fault.code, status }, status === 429 ? 'limited' : 'refused')
    return refuse(request, reply, status, fault)
  })
}

function refusalOf(error: Error & { statusCode?: number; code?: string }): [status: number, fault: PlainFault] {
  if (error instanceof Fault) return [STATUS[error.code] ?? 400, plainFault(error)]
  if (error.code === 'FST_ERR_CTP_BODY_TOO_LARGE')
    return [413, { code: 'too-large', message: 'The booklet is larger than 32 MiB.', wayOut: 'Publish it in parts.' }]
  const status = error.statusCode ?? 500
  if (status >= 500) return [status, { code: 'unexpected', message: 'The server failed. Try again.' }]
  return [status, { code: status === 429 ? 'too-often' : 'bad-request', message: `${error.message.replace(/\.$/, '')}.` }]
}

/** A person who followed a link gets a page, a program its code. */
function refuse(request: FastifyRequest, reply: FastifyReply, status: number, fault: PlainFault): FastifyReply {
  reply.code(status).header('cache-control', 'no-store')
  const isForPeople = request.method === 'GET' && !request.url.startsWith('/api/') && (request.headers.accept ?? '').includes('text/html')
  return isForPeople ? reply.type('text/html').send(errorPage(fault)) : reply.type('application/json').send(JSON.stringify(fault))
}

/** What is no request at all is answered by hand, with the same headers. */
function refuseNonsense(this: FastifyInstance, error: NodeJS.ErrnoException, socket: Socket): void {
  if (error.code === 'ECONNRESET' || !socket.writable) return void socket.destroy()
  const status =
    error.code === 'HPE_HEADER_OVERFLOW'
      ? '431 Request Header Fields Too Large'
      : error.code === 'ERR_HTTP_REQUEST_TIMEOUT'
        ? '408 Request Timeout'
        : '400 Bad Request'
  const body = JSON.stringify({ code: 'bad-request', message: 'This is no request that can be read.' } satisfies PlainFault)
  const headers = {
    ...COMMON_HEADERS,
    'content-type': 'application/json',
    'content-length': String(Buffer.byteLength(body)),
    connection: 'close',
  }
  const lines = Object.entries(headers).map(([name, value]) => `${name}: ${value}`)
  socket.end(`HTTP/1.1 ${status}\r\n${lines.join('\r\n')}\r\n\r\n${body}`)
}

function addHealth(server: FastifyInstance, shelf: BundleShelf): void {
  server.get('/healthz', () => ({ status: 'ok' }))
  server.get('/readyz', async (request, reply) => {
    try {
      await shelf.probe()
      return { status: 'ok' }
    } catch (error) {
      server.log.error({ code: 'no-store', error: (error as Error).message }, 'not ready')
      return refuse(request, reply, 503, { code: 'no-store', message: 'Booklets cannot be kept at the moment.' })
    }
  })
}

function addBooklets(server: FastifyInstance, shelf: BundleShelf, options: ServerOptions): void {
  const limit = (max: number) => ({ config: { rateLimit: { max, timeWindow: '1 minute' } } })
  const space = new SpaceLimit(options.spaceLimit ?? SPACE, HOUR_MS)
  const check = options.check ?? checkHere
  const views = limit(options.viewLimit ?? 600)

  server.post<{ Body: string }>('/api/bundles', limit(options.publishLimit ?? 30), async (request, reply) => {
    space.take(request.ip, Buffer.byteLength(request.body))
    const { id, isNew } = await shelf.put(await check(request.body))
    return reply.code(isNew ? 201 : 200).send({ id, path: `/f/${id}` })
  })

  server.get<{ Params: { id: string } }>('/api/bundles/:id', views, async (request, reply) => {
    const bytes = await shelf.get(request.params.id)
    return reply.header('cache-control', 'public, max-age=31536000, immutable').type('application/json').send(bytes)
  })

  server.get<{ Params: { id: string } }>('/f/:id', views, async (request, reply) => {
    const bytes = await shelf.get(request.params.id)
    const nonce = randomBytes(16).toString('base64')
    const page = writeHtmlText(await readFile(options.followPage, 'utf8'), bytes.toString('utf8'))
    return reply
      .header('content-security-policy', contentPolicy(`'nonce-${nonce}'`))
      .type('text/html')
      .send(page.replaceAll('<script type="module"', `<script nonce="${nonce}" type="module"`))
  })
  server.get<{ Params: { id: string } }>('/f/:id/', (request, reply) => reply.redirect(`/f/${encodeURIComponent(request.params.id)}`, 308))
}

async function addPages(server: FastifyInstance, options: ServerOptions): Promise<void> {
  const missing = (request: FastifyRequest, reply: FastifyReply): FastifyReply =>
    refuse(request, reply, 404, { code: 'not-found', message: 'There is nothing at this address.' })
  if (!existsSync(options.app)) return void server.setNotFoundHandler(missing)
  await server.register(fastifyStatic, {
    root: options.app,
    setHeaders: (reply, path) => {
      reply.header('cache-control', path.includes(`${join('/', 'assets', '/')}`) ? 'public, max-age=31536000, immutable' : 'no-cache')
    },
  })
  await server.register(fastifyStatic, { root: join(options.followPage, '..'), prefix: '/follow/', decorateReply: false })
  server.setNotFoundHandler((request, reply) => {
    if (request.method !== 'GET' || /^\/(api|f)\//.test(request.url) || /\.[a-z0-9]+$/i.test(request.url)) return missing(request, reply)
    return reply.type('text/html').sendFile('index.html')
  })
}
