import { randomBytes } from 'node:crypto'
import { existsSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import fastifyStatic from '@fastify/static'
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { writeHtmlText } from '@press/html'
import { Fault } from '@core/fault'
import { refuseError } from '../answers'
import { contentPolicy } from '../headers'
import type { BookletRecord } from '../records'
import type { Services } from '../services'
import { versionOf } from './booklet-routes'
import type { MethodsAt } from './noted-routes'

type OfPage = FastifyRequest<{ Params: { id: string }; Querystring: { v?: string | string[] } }>

export interface PageFiles {
  /** Folder of the built application. */
  readonly app: string
  /** The built page of the follower. */
  readonly followPage: string
}

/** The follower's page with a published booklet inside, or, where it has a password, with the question for it. */
export function addFollowRoutes(server: FastifyInstance, { booklets, gate }: Services, { followPage }: PageFiles): void {
  server.get('/f/:id', async (request: OfPage, reply) => {
    const record = await booklets.record(request.params.id)
    const asked = request.query.v
    const version = versionOf(record, Array.isArray(asked) ? asked[0] : asked)
    const isLocked = await needsPassword(request, record)
    const bundle = isLocked ? '' : (await booklets.bundle(record, version)).toString('utf8')
    const nonce = randomBytes(16).toString('base64')
    const { id, terms, versions } = record
    const place = { id, version: version.version, newest: versions.length, isLocked, ...(terms === undefined ? {} : { terms }) }
    const page = writeHtmlText(await readFile(followPage, 'utf8'), bundle, place)
    return reply
      .code(isLocked ? 401 : 200)
      .header('cache-control', isLocked || record.password || record.window ? 'private, no-cache' : 'no-cache')
      .header('vary', 'Authorization, X-Booklet-Password')
      .header('content-security-policy', contentPolicy(`'nonce-${nonce}'`))
      .type('text/html')
      .send(page.replaceAll('<script type="module"', `<script nonce="${nonce}" type="module"`))
  })
  server.get('/f/:id/', (request: OfPage, reply) => reply.redirect(`/f/${encodeURIComponent(request.params.id)}`, 308))

  async function needsPassword(request: FastifyRequest, record: BookletRecord): Promise<boolean> {
    try {
      await gate.assertReader(request, record)
      return false
    } catch (thrown) {
      if (thrown instanceof Fault && thrown.code === 'password-needed') return true
      throw thrown
    }
  }
}

/** The application itself, and what is at no address. */
export async function addAppRoutes(server: FastifyInstance, { app, followPage }: PageFiles, methodsAt: MethodsAt): Promise<void> {
  const missing = (request: FastifyRequest, reply: FastifyReply): FastifyReply => {
    const allowed = methodsAt(request.url.split('?')[0]!)
    if (allowed.length === 0) return refuseError(new Fault('not-found', 'There is nothing at this address.'), request, reply)
    reply.header('allow', allowed.join(', '))
    return refuseError(new Fault('method-not-allowed', `This address takes ${allowed.join(', ')} only.`), request, reply)
  }
  if (!existsSync(app)) return void server.setNotFoundHandler(missing)
  await server.register(fastifyStatic, {
    root: app,
    preCompressed: true,
    setHeaders: (reply, path) => {
      reply.header('cache-control', path.includes(`${join('/', 'assets', '/')}`) ? 'public, max-age=31536000, immutable' : 'no-cache')
    },
  })
  await server.register(fastifyStatic, { root: join(followPage, '..'), prefix: '/follow/', preCompressed: true, decorateReply: false })
  server.setNotFoundHandler((request, reply) => {
    const isPage = request.method === 'GET' && !/^\/(api|f)(\/|$)/.test(request.url) && !/\.[a-z0-9]+$/i.test(request.url)
    return isPage ? reply.type('text/html').sendFile('index.html') : missing(request, reply)
  })
}
