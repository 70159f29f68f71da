import { randomUUID } from 'node:crypto'
import compress from '@fastify/compress'
import Fastify, { LogController, type FastifyInstance } from 'fastify'
import { Fault } from '@core/fault'
import { BUNDLE_BYTES } from '@core/formats'
import { answerAlike, refuseError, refuseNonsense } from './answers'
import { Booklets } from './booklets'
import { checkerHere, type BundleChecker } from './check-tasks'
import { Gate } from './gate'
import { Limits, LIMITS_BY_ADDRESS, MemoryCounter, type Counter, type Limit, type LimitName } from './limits'
import { addBookletRoutes } from './routes/booklet-routes'
import { noteRoutes } from './routes/noted-routes'
import { openApi } from './routes/openapi'
import { addAppRoutes, addFollowRoutes, type PageFiles } from './routes/page-routes'
import { addPracticeRoutes } from './routes/practice-routes'
import { addQuestionRoutes } from './routes/question-routes'
import { tellingStore, type ObjectStore } from './store'

export interface ServerOptions extends PageFiles {
  readonly store: ObjectStore
  /** Counts what each address does; in this server alone when missing. */
  readonly counter?: Counter
  readonly limits?: Readonly<Record<LimitName, Limit>>
  /** Writes a line of JSON for each refusal and failure to stderr; nothing of who asked. */
  readonly logs?: boolean
  /** Checks what is published; in this thread when missing. */
  readonly checker?: BundleChecker
  /** Addresses of the proxies whose word on who asks is taken; none when missing. */
  readonly proxies?: string
  readonly now?: () => number
}

/** Slow clients are not waited for, ms. */
const TIMES = { headers: 10_000, request: 60_000, idle: 20_000 }
/** What may stand beside a bundle: words of the designer, each letter written at its longest. */
const BESIDE_BUNDLE = 512 * 1024

/** The whole server: the application, published booklets, and nothing of anybody's models. It holds no state of its own. */
export async function buildServer(options: ServerOptions): Promise<FastifyInstance> {
  const server = Fastify({
    logger: options.logs ? { level: 'info', stream: process.stderr } : false,
    logController: new LogController({ disableRequestLogging: true }),
    genReqId: () => randomUUID(),
    trustProxy: options.proxies ?? false,
    bodyLimit: BUNDLE_BYTES + BESIDE_BUNDLE,
    requestTimeout: TIMES.request,
    keepAliveTimeout: TIMES.idle,
    connectionTimeout: TIMES.idle * 2,
    routerOptions: { maxParamLength: 10_000 },
    // What is under way is answered when the server is told to stop; connections that only wait are closed.
    forceCloseConnections: 'idle',
    frameworkErrors: (error, request, reply) => void refuseError(error, request, reply),
    clientErrorHandler: refuseNonsense,
  })
  server.server.headersTimeout = TIMES.headers
  const store = tellingStore(options.store, ({ message }) => server.log.error({ code: 'no-store', error: message }, 'store'))
  await options.store.prepare()
  const { methodsAt } = noteRoutes(server)
  answerAlike(server)
  await server.register(compress, { global: true, globalDecompression: false })
  readJsonOnly(server)
  addHealth(server, store)
  const checker = options.checker ?? checkerHere
  const limits = new Limits(options.counter ?? new MemoryCounter(), options.limits ?? LIMITS_BY_ADDRESS)
  const services = { booklets: new Booklets(store, checker, options.now), checker, limits, gate: new Gate(limits, options.now) }
  addBookletRoutes(server, services)
  addQuestionRoutes(server, services)
  addPracticeRoutes(server, limits, options.now ?? Date.now)
  addFollowRoutes(server, services, options)
  await addAppRoutes(server, options, methodsAt)
  server.addHook('onClose', async () => {
    await Promise.all([limits.close(), store.close(), checker.close()])
  })
  return server
}

/** Bodies are JSON in UTF-8; they are read as text here, since those that are long are checked beside this thread. */
function readJsonOnly(server: FastifyInstance): void {
  server.removeAllContentTypeParsers()
  const decoder = new TextDecoder('utf-8', { fatal: true })
  server.addContentTypeParser<Buffer>('application/json', { parseAs: 'buffer' }, (request, body, done) => {
    if ((request.headers['content-encoding'] ?? 'identity') !== 'identity')
      return done(new Fault('wrong-type', 'Bodies are not read packed.', { place: 'Content-Encoding' }))
    try {
      done(null, decoder.decode(body))
    } catch {
      done(new Fault('bad-request', 'This is not text in UTF-8.'))
    }
  })
  // A request without a body is one with an empty text.
  server.addHook('preHandler', async (request) => {
    request.body ??= ''
  })
}

function addHealth(server: FastifyInstance, store: ObjectStore): void {
  server.get('/healthz', () => ({ status: 'ok' }))
  server.get('/readyz', async () => {
    await store.probe()
    return { status: 'ok' }
  })
  server.get('/api/openapi.json', () => openApi())
}
