import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { TURNS } from '../space'
import type { DrawnPart } from './part-groups'
import { handedOver, PartListener, PartTeller } from './part-news'

const shapes = ['brick-2x4', 'plate-1x1', 'tile-1x2'].map((id) => BASE_CATALOGUE.shapes.get(id)!)
const part = fc
  .record({
    shape: fc.constantFrom(...shapes),
    colour: fc.constantFrom('red', 'slate'),
    turn: fc.nat({ max: TURNS.length - 1 }),
    at: fc.tuple(fc.integer(), fc.double({ noNaN: true, noDefaultInfinity: true }), fc.integer()),
  })
  .map(({ shape, colour, turn, at }): DrawnPart => ({ shape, colour, pose: { matrix: TURNS[turn]!, at } }))

/** Lists of parts, each made of some of those that were there before and some new ones, in any order. */
const lists = fc.array(fc.tuple(fc.array(part, { maxLength: 5 }), fc.func(fc.integer())), { minLength: 1, maxLength: 6 }).map((all) => {
  let before: readonly DrawnPart[] = []
  return all.map(([fresh, rank]) => {
    const chosen = [...before, ...fresh].map((each, i) => [each, rank(i)] as const)
    before = chosen.filter(([, value]) => value % 4 !== 0).map(([each]) => each)
    if (rank(before.length) % 3 === 0) before = [...before].sort((a, b) => rank(before.indexOf(a)) - rank(before.indexOf(b)))
    return before
  })
})

describe('lists of parts told to another thread', () => {
  it('are heard as they were told, and what stays is the same object there too', () => {
    fc.assert(
      fc.property(lists, (all) => {
        const [teller, listener] = [new PartTeller(), new PartListener()]
        const heardAs = new Map<DrawnPart, DrawnPart>()
        for (const parts of all) {
          const news = teller.tell(parts)
          const heard = listener.hear(structuredClone(news, { transfer: handedOver(news) }))
          expect(heard.map(({ colour, pose }) => ({ colour, pose }))).toEqual(parts.map(({ colour, pose }) => ({ colour, pose })))
          heard.forEach((each, i) => {
            expect(each.shape.box).toEqual(parts[i]!.shape.box)
            expect(each.shape.plainMesh.length).toBe(parts[i]!.shape.plainMesh.length)
            const known = heardAs.get(parts[i]!)
            if (known) expect(each).toBe(known)
          })
          heardAs.clear()
          heard.forEach((each, i) => heardAs.set(parts[i]!, each))
        }
      }),
    )
  })

  it('cost what has changed: one part more among many is told alone', () => {
    const one = (x: number): DrawnPart => ({ shape: shapes[0]!, colour: 'red', pose: { matrix: TURNS[0]!, at: [x, 0, 0] } })
    const many = Array.from({ length: 2000 }, (_, i) => one(i * 40))
    const teller = new PartTeller()
    expect(teller.tell(many)).toMatchObject({ start: 0, end: 0, newColours: ['red'] })
    const news = teller.tell([...many.slice(0, 700), one(-40), ...many.slice(700)])
    expect(news).toMatchObject({ start: 700, end: 1300, newShapes: [], newColours: [] })
    expect([news.numbers.length, news.fresh.length]).toEqual([1, 1])
    expect(teller.tell(many.slice(5))).toMatchObject({ fresh: new Uint32Array(0) })
  })
})
