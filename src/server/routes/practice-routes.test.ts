import { afterEach, describe, expect, it } from 'vitest'
import type { OfferBook, PracticeDelivery } from '@core/desk'
import { refusal, startServer, stopAll } from '../support/start'

afterEach(stopAll)

const KINDS = ['red', 'sand', 'navy'].map((colour) => ({ shape: 'brick-1x2', colour }))
const DAY = { seed: 3, date: '2026-11-29' }

describe('the practice counter', () => {
  it('is asked for prices, sells what it offers, and keeps nothing', async () => {
    const { ask } = await startServer()
    const answer = await ask('POST', '/api/practice/prices', { body: { ...DAY, pieces: KINDS } })
    expect([answer.statusCode, answer.headers['cache-control']]).toEqual([200, 'no-store'])
    const { offers } = answer.json<{ offers: OfferBook & { format: string } }>()
    expect(offers).toMatchObject({ format: 'jump-rail-offers', date: '2026-11-29' })
    const supplier = offers.suppliers.find((each) => each.offers.some(({ available = 9 }) => available > 2))!
    const { shape, colour } = supplier.offers.find(({ available = 9 }) => available > 2)!
    const order = { supplier: supplier.id, lines: [{ shape, colour, count: 2 }], kits: [] }
    const [first, again] = [
      await ask('POST', '/api/practice/orders', { body: { ...DAY, order } }),
      await ask('POST', '/api/practice/orders', { body: { ...DAY, order } }),
    ]
    expect(first.statusCode).toBe(201)
    const { requestId: _first, ...came } = first.json<PracticeDelivery & { requestId?: string }>()
    expect(again.json()).toMatchObject(came)
    expect(came.supplier).toBe(supplier.id)
  })

  it('tells the prices of its own day where none is named, and of another the next day', async () => {
    let now = Date.parse('2026-11-29T10:00:00Z')
    const { ask } = await startServer({ now: () => now })
    const prices = async () => (await ask('POST', '/api/practice/prices', { body: { pieces: KINDS } })).json<{ offers: OfferBook }>().offers
    const today = await prices()
    expect(today.date).toBe('2026-11-29')
    now += 86_400_000
    expect((await prices()).suppliers).not.toEqual(today.suppliers)
  })

  it('refuses what it cannot read or does not offer, and who asks too often', async () => {
    const { ask } = await startServer({
      limits: {
        publish: { most: 1, windowMs: 1000, what: 'x' },
        questions: { most: 1, windowMs: 1000, what: 'x' },
        passwords: { most: 1, windowMs: 1000, what: 'x' },
        practice: { most: 2, windowMs: 3600_000, what: 'prices were asked for' },
      },
    })
    const prices = (body: object) => ask('POST', '/api/practice/prices', { body })
    expect(refusal(await prices({ pieces: [{ shape: 'a' }] }))).toEqual([400, 'missing-key'])
    expect(refusal(await prices({ pieces: [], more: 1 }))).toEqual([400, 'unknown-key'])
    expect(refusal(await prices({ pieces: [], date: '2026-13-40' }))).toEqual([400, 'bad-value'])
    expect(refusal(await prices({ pieces: Array.from({ length: 2001 }, () => KINDS[0]) }))[0]).toBe(400)
    const order = { supplier: 'nobody', lines: [], kits: [] }
    expect(refusal(await ask('POST', '/api/practice/orders', { body: { ...DAY, order } }))).toEqual([400, 'bad-value'])
    expect((await prices({ pieces: [] })).statusCode).toBe(200)
    expect(refusal(await prices({ pieces: [] }))).toEqual([429, 'too-often'])
  })
})
