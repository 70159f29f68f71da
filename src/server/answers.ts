import { randomUUID } from 'node:crypto'
import type { Socket } from 'node:net'
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { Fault, plainFault, type FaultCode, type PlainFault } from '@core/fault'
import { errorPage } from './error-page'
import { COMMON_HEADERS } from './headers'
import { TooOften } from './limits'
import { tooLarge } from './upload'

/** What is wrong with a request is 400, but for these. */
const STATUS: { readonly [code in FaultCode]?: number } = {
  'token-needed': 401,
  'password-needed': 401,
  'not-owner': 403,
  'questions-closed': 403,
  'window-closed': 403,
  'no-booklet': 404,
  'no-question': 404,
  'not-found': 404,
  'method-not-allowed': 405,
  withdrawn: 410,
  'too-large': 413,
  'wrong-type': 415,
  'too-slow': 422,
  'too-much-work': 422,
  'too-often': 429,
  damaged: 500,
  unexpected: 500,
  'booklet-busy': 503,
  'no-store': 503,
}
/** Those of the framework, by its codes. */
const FRAMEWORK: Readonly<Record<string, () => Fault>> = {
  FST_ERR_CTP_BODY_TOO_LARGE: tooLarge,
  FST_ERR_CTP_INVALID_MEDIA_TYPE: () => new Fault('wrong-type', 'Only application/json is read here.'),
  FST_ERR_BAD_URL: () => new Fault('bad-request', 'This address cannot be read.'),
}

/** After how many seconds a busy or failing server may be asked again. */
const BUSY_SECONDS = 5

/** The same headers and the same form of refusal everywhere. */
export function answerAlike(server: FastifyInstance): void {
  let isClosing = false
  server.addHook('preClose', async () => {
    isClosing = true
  })
  server.addHook('onSend', async (request, reply, payload) => {
    // Whoever is answered while the server stops must not keep it waiting for more.
    if (isClosing) reply.header('connection', 'close')
    reply.header('x-request-id', request.id)
    for (const [name, value] of Object.entries(COMMON_HEADERS)) if (!reply.hasHeader(name)) reply.header(name, value)
    return payload
  })
  server.setErrorHandler(refuseError)
}

export function refuseError(error: Error, request: FastifyRequest, reply: FastifyReply): FastifyReply {
  const fault = faultOf(error as FastifyError)
  const status = statusOf(fault, error as FastifyError)
  if (status >= 500) request.server.log.error({ code: fault.code, requestId: request.id, error: error.message }, 'failed')
  else request.server.log.info({ code: fault.code, requestId: request.id, status }, status === 429 ? 'limited' : 'refused')
  if (fault instanceof TooOften) reply.header('retry-after', fault.retryAfter)
  else if (status === 503) reply.header('retry-after', BUSY_SECONDS)
  return refuse(request, reply, status, plainFault(fault))
}

function faultOf(error: FastifyError): Fault {
  if (error instanceof Fault) return error
  const known = FRAMEWORK[error.code]
  if (known) return known()
  if ((error.statusCode ?? 500) >= 500) return new Fault('unexpected', 'The server failed.', { wayOut: 'Try again.' })
  return new Fault('bad-request', `${error.message.replace(/\.$/, '')}.`)
}

const statusOf = (fault: Fault, error: FastifyError): number =>
  STATUS[fault.code] ?? (error instanceof Fault ? 400 : (error.statusCode ?? 400))

/** A person who followed a link gets a page, a program its code. */
function refuse(request: FastifyRequest, reply: FastifyReply, status: number, fault: PlainFault): FastifyReply {
  reply.code(status).header('cache-control', 'no-store')
  const isForPeople = request.method === 'GET' && !request.url.startsWith('/api/') && (request.headers.accept ?? '').includes('text/html')
  if (isForPeople) return reply.type('text/html').send(errorPage(fault))
  return reply.type('application/json').send(JSON.stringify({ ...fault, requestId: request.id }))
}

/** What is no request at all is answered by hand, with the same headers. */
export function refuseNonsense(error: NodeJS.ErrnoException, socket: Socket): void {
  if (error.code === 'ECONNRESET' || !socket.writable) return void socket.destroy()
  const status =
    error.code === 'HPE_HEADER_OVERFLOW'
      ? '431 Request Header Fields Too Large'
      : error.code === 'ERR_HTTP_REQUEST_TIMEOUT'
        ? '408 Request Timeout'
        : '400 Bad Request'
  const requestId = randomUUID()
  const body = JSON.stringify({ code: 'bad-request', message: 'This is no request that can be read.', requestId })
  const headers = {
    ...COMMON_HEADERS,
    'content-type': 'application/json',
    'content-length': String(Buffer.byteLength(body)),
    'x-request-id': requestId,
    connection: 'close',
  }
  const lines = Object.entries(headers).map(([name, value]) => `${name}: ${value}`)
  socket.end(`HTTP/1.1 ${status}\r\n${lines.join('\r\n')}\r\n\r\n${body}`)
}
