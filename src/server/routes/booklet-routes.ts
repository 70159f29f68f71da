import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify'
import { Fault } from '@core/fault'
import { checkBody, NEW_SETTINGS, readJson } from '../bodies'
import { addressKey } from '../limits'
import { accessAt, type BookletRecord, type VersionRecord } from '../records'
import type { Services } from '../services'

export type AskedBooklet = FastifyRequest<{ Params: { id: string } }>
type OfVersion = FastifyRequest<{ Params: { id: string; n: string } }>

/** Publishing, and what the owner does with what is published. */
export function addBookletRoutes(server: FastifyInstance, { booklets, checker, limits, gate }: Services): void {
  server.post('/api/booklets', async (request, reply) => {
    const { record, ownerToken } = await limits.within('publish', addressKey(request.ip), async () => {
      const upload = await checker.checkUpload(request.body as string, 'booklet')
      return { result: await booklets.create(upload), counts: true }
    })
    const { id } = record
    return reply
      .code(201)
      .header('cache-control', 'no-store')
      .send({ id, version: 1, link: `/f/${id}`, ownerToken })
  })

  server.put('/api/booklets/:id', async (request: AskedBooklet, reply) => {
    const { id } = request.params
    assertCurrent(request, await booklets.record(id))
    const { version, changes } = await limits.within('publish', addressKey(request.ip), async () => {
      const upload = await checker.checkUpload(request.body as string, 'version')
      const published = await booklets.publish(id, upload)
      return { result: published.version, counts: published.isNew }
    })
    return reply.header('cache-control', 'no-store').send({ version, changes })
  })

  server.patch('/api/booklets/:id', async (request: AskedBooklet, reply) => {
    assertCurrent(request, await booklets.record(request.params.id))
    const settings = checkBody(NEW_SETTINGS, readJson(request.body as string))
    const record = await booklets.configure(request.params.id, settings)
    return reply.header('cache-control', 'no-store').send(described(record, { access: accessAt(record, gate.now()), isTrusted: true }))
  })

  server.delete('/api/booklets/:id', async (request: AskedBooklet, reply) => {
    gate.assertOwner(request, await booklets.record(request.params.id))
    await booklets.withdraw(request.params.id)
    return reply.code(204).send()
  })

  server.get('/api/booklets/:id', async (request: AskedBooklet, reply) => {
    const record = await booklets.record(request.params.id)
    const access = accessAt(record, gate.now())
    if (access === 'withdrawn') gate.assertOwner(request, record)
    const isTrusted = access === 'open' || (await gate.mayRead(request, record))
    return vary(reply)
      .header('cache-control', access === 'open' ? 'no-cache' : 'private, no-cache')
      .send(described(record, { access, isTrusted }))
  })

  server.get('/api/booklets/:id/versions/:n', async (request: OfVersion, reply) => {
    const record = await booklets.record(request.params.id)
    const reader = await gate.assertReader(request, record)
    const version = versionOf(record, request.params.n)
    const tag = `"${version.bundle}"`
    vary(reply).header('cache-control', gate.cacheControl(record, reader)).header('etag', tag)
    if (tagsOf(request).some((each) => each === tag || each === '*')) return reply.code(304).send()
    return reply.type('application/json').send(await booklets.bundle(record, version))
  })

  function assertCurrent(request: FastifyRequest, record: BookletRecord): void {
    gate.assertOwner(request, record)
    if (record.withdrawn !== undefined) throw new Fault('withdrawn', 'This booklet was withdrawn for good.', { wayOut: 'Publish it anew.' })
  }
}

/** The answer depends on who asks. */
const vary = (reply: FastifyReply): FastifyReply => reply.header('vary', 'Authorization, X-Booklet-Password')

const tagsOf = (request: FastifyRequest): string[] =>
  (request.headers['if-none-match'] ?? '').split(',').map((tag) => tag.trim().replace(/^W\//, ''))

/** @throws Fault `not-found` */
export function versionOf(record: BookletRecord, n: string | undefined): VersionRecord {
  const version = n === undefined ? record.versions.at(-1) : /^[1-9]\d{0,8}$/.test(n) ? record.versions[Number(n) - 1] : undefined
  if (version) return version
  throw new Fault('not-found', 'This booklet has no such version.', { wayOut: `Its newest is ${record.versions.length}.` })
}

/** What may be told of a booklet; what changed in it only to whom may read it. */
function described(
  { id, name, designer, versions, terms, window, questions }: BookletRecord,
  { access, isTrusted }: { access: string; isTrusted: boolean },
): object {
  return {
    id,
    name,
    ...(designer === undefined ? {} : { designer }),
    version: versions.length,
    versions: versions.map(({ version, date, changes, whatChanged }) => ({
      version,
      date,
      ...(isTrusted ? { changes } : {}),
      whatChanged,
    })),
    ...(terms === undefined ? {} : { terms }),
    ...(window === undefined ? {} : { window }),
    questions,
    access,
  }
}
