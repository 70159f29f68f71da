import type { FastifyInstance, FastifyRequest } from 'fastify'
import { BASE_CATALOGUE } from '@core/catalogue'
import { practiceDelivery, practiceKits, practiceOffers, type MarketDay } from '@core/desk'
import { Fault } from '@core/fault'
import { checkBody, PRACTICE_ORDER, PRACTICE_PRICES, readJson } from '../bodies'
import { addressKey, type Limits } from '../limits'

/** Some thousand kinds of pieces. */
const BODY_BYTES = 512 * 1024

/**
 * The practice counter: a made-up market, so that asking for prices, ordering and receiving can be tried. Nothing is bought and nothing
 * kept: what it answers follows from the seed and the day alone.
 */
export function addPracticeRoutes(server: FastifyInstance, limits: Limits, now: () => number): void {
  const dayOf = ({ seed = 1, date = new Date(now()).toISOString().slice(0, 10) }: Partial<MarketDay>): MarketDay => ({ seed, date })
  const within = <Answer>(request: FastifyRequest, answer: () => Answer): Promise<Answer> =>
    limits.within('practice', addressKey(request.ip), () => Promise.resolve({ result: answer(), counts: true }))

  server.post('/api/practice/prices', { bodyLimit: BODY_BYTES }, async (request, reply) => {
    const { pieces, ...asked } = checkBody(PRACTICE_PRICES, readJson(request.body as string))
    const day = dayOf(asked)
    const offers = await within(request, () => practiceOffers(pieces, day, BASE_CATALOGUE))
    return reply.header('cache-control', 'no-store').send({
      offers: { format: 'jump-rail-offers', version: 1, ...offers },
      kits: { format: 'jump-rail-kits', version: 1, kits: practiceKits(day.seed) },
    })
  })

  server.post('/api/practice/orders', { bodyLimit: BODY_BYTES }, async (request, reply) => {
    const { order, ...asked } = checkBody(PRACTICE_ORDER, readJson(request.body as string))
    const delivery = await within(request, () => practiceDelivery(order, dayOf(asked), BASE_CATALOGUE))
    if (!delivery)
      throw new Fault('bad-value', 'The practice counter does not offer this on that day.', {
        place: 'order',
        wayOut: 'Ask for its prices again, and order what it offers.',
      })
    return reply.code(201).header('cache-control', 'no-store').send(delivery)
  })
}
