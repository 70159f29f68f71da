import fc from 'fast-check'
import { expect, it } from 'vitest'
import { Groups } from './groups'

it('groups that only grow together are those that their joins say, born when their oldest was', () => {
  const count = 12
  const joins = fc.array(fc.tuple(fc.nat({ max: count - 1 }), fc.nat({ max: count - 1 })), { maxLength: 30 })
  fc.assert(
    fc.property(joins, (all) => {
      const groups = new Groups(count)
      let plain = Array.from({ length: count }, (_, node) => [node])
      for (let node = 0; node < count; node++) groups.lay(node, count - node)
      for (const [a, b] of all) {
        const [mine, other] = [plain.find((set) => set.includes(a))!, plain.find((set) => set.includes(b))!]
        const joined = groups.join(a, b)
        expect(joined === undefined).toBe(mine === other)
        if (joined) {
          expect(joined.kept).toBe(groups.of(a))
          plain = [...plain.filter((set) => set !== mine && set !== other), [...mine, ...other]]
        }
      }
      for (const set of plain) {
        expect(new Set(set.map((node) => groups.of(node))).size).toBe(1)
        expect(groups.bornIn(groups.of(set[0]!))).toBe(count - Math.max(...set))
      }
      expect(new Set(plain.map((set) => groups.of(set[0]!))).size).toBe(plain.length)
    }),
  )
})
