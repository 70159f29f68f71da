import type { FastifyInstance, FastifyRequest } from 'fastify'
import { BASE_CATALOGUE } from '@core/catalogue'
import { practiceDelivery, practiceKits, practiceOffers, type MarketDay } from '@core/desk'
import { Fault } from '@core/fault'
import { checkBody, PRACTICE_ORDER, PRACTICE_PRICES, readJson } from '../bodies'

/**
 * The practice counter: a made-up market, so that asking for prices, ordering and receiving can be tried. Nothing is bought and nothing
 * kept: what it answers follows from the seed and the day alone.
 */
export function addPracticeRoutes(server: FastifyInstance, now: () => number): void {
  const dayOf = ({ seed = 1, date = new Date(now()).toISOString().slice(0, 10) }: Partial<MarketDay>): MarketDay => ({ seed, date })

  server.post('/api/practice/prices', { bodyLimit: BODY_BYTES }, async (request: FastifyRequest, reply) => {
    const { pieces, ...day } = checkBody(PRACTICE_PRICES, readJson(request.body as string))
    const offers = practiceOffers(pieces, dayOf(day), BASE_CATALOGUE)
    return reply.header('cache-control', 'no-store').send({
      offers: { format: 'jump-rail-offers', version: 1, ...offers },
      kits: { format: 'jump-rail-kits', version: 1, kits: practiceKits(dayOf(day).seed) },
    })
  })

  server.post('/api/practice/orders', { bodyLimit: BODY_BYTES }, async (request: FastifyRequest, reply) => {
    const { order, ...day } = checkBody(PRACTICE_ORDER, readJson(request.body as string))
    const delivery = practiceDelivery(order, dayOf(day), BASE_CATALOGUE)
    if (!delivery)
      throw new Fault('bad-value', 'The practice counter does not offer this on that day.', {
        place: 'order',
        wayOut: 'Ask for its prices again, and order what it offers.',
      })
    return reply.code(201).header('cache-control', 'no-store').send(delivery)
  })
}

/** Some thousand kinds of pieces. */
const BODY_BYTES = 512 * 1024
