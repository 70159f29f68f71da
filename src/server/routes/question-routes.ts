import type { FastifyInstance, FastifyRequest } from 'fastify'
import { Fault } from '@core/fault'
import { checkBody, NEW_ANSWER, NEW_QUESTION, NEW_STATE, readJson } from '../bodies'
import { bearerToken } from '../gate'
import { addressKey } from '../limits'
import type { BookletRecord, QuestionRecord } from '../records'
import { isToken } from '../secrets'
import type { Services } from '../services'
import type { AskedBooklet } from './booklet-routes'

type OfQuestion = FastifyRequest<{ Params: { id: string; q: string } }>

/** Builders ask, the designer answers. */
export function addQuestionRoutes(server: FastifyInstance, { booklets, limits, gate }: Services): void {
  server.post('/api/booklets/:id/questions', async (request: AskedBooklet, reply) => {
    const record = await booklets.record(request.params.id)
    await gate.assertReader(request, record)
    if (record.withdrawn !== undefined) throw new Fault('withdrawn', 'This booklet was withdrawn for good.')
    if (record.questions === 'closed') throw new Fault('questions-closed', 'This booklet takes no questions.')
    const question = checkBody(NEW_QUESTION, readJson(request.body as string))
    const asked = await limits.within('questions', addressKey(request.ip), async () => {
      return { result: await booklets.ask(record.id, question), counts: true }
    })
    return reply.code(201).header('cache-control', 'no-store').send(asked)
  })

  server.get('/api/booklets/:id/questions', async (request: AskedBooklet, reply) => {
    const record = await booklets.record(request.params.id)
    const { isOwner } = await gate.assertReader(request, record)
    const all = await booklets.questions(record.id)
    const token = isOwner ? undefined : bearerToken(request)
    const own = token === undefined ? [] : all.filter(({ asker }) => isToken(token, asker))
    if (token !== undefined && own.length === 0)
      throw new Fault('not-owner', 'This is not the token of this booklet, nor of one of its questions.')
    const seen = isOwner ? all : all.filter((each) => isForAll(each) || own.includes(each))
    return reply
      .header('vary', 'Authorization, X-Booklet-Password')
      .header('cache-control', 'private, no-store')
      .send({ questions: seen.map(described) })
  })

  server.post('/api/booklets/:id/questions/:q/answer', async (request: OfQuestion, reply) => {
    const { record, question } = await ofOwner(request)
    const { text } = checkBody(NEW_ANSWER, readJson(request.body as string))
    return reply
      .header('cache-control', 'no-store')
      .send(described(await booklets.changeQuestion(record.id, question.questionId, { answer: text })))
  })

  server.patch('/api/booklets/:id/questions/:q', async (request: OfQuestion, reply) => {
    const { record, question } = await ofOwner(request)
    const change = checkBody(NEW_STATE, readJson(request.body as string))
    return reply.header('cache-control', 'no-store').send(described(await booklets.changeQuestion(record.id, question.questionId, change)))
  })

  server.delete('/api/booklets/:id/questions/:q', async (request: OfQuestion, reply) => {
    const record = await booklets.record(request.params.id)
    const token = bearerToken(request)
    // Without a token nobody learns which questions there are.
    if (token === undefined || record.withdrawn !== undefined) gate.assertOwner(request, record)
    const question = await booklets.question(record.id, request.params.q)
    if (!isToken(token!, question.asker)) gate.assertOwner(request, record)
    await booklets.removeQuestion(record.id, question.questionId)
    return reply.code(204).send()
  })

  async function ofOwner(request: OfQuestion): Promise<{ record: BookletRecord; question: QuestionRecord }> {
    const record = await booklets.record(request.params.id)
    gate.assertOwner(request, record)
    return { record, question: await booklets.question(record.id, request.params.q) }
  }
}

const isForAll = ({ state }: QuestionRecord): boolean => state === 'public' || state === 'solved'

/** All but who asked it. */
function described(question: QuestionRecord): Partial<QuestionRecord> {
  const { asker: _asker, ...rest } = question
  return rest
}
