import fc from 'fast-check'
import { expect, it } from 'vitest'
import type { ConnectorKind } from '../catalogue'
import { posed, STUD_PITCH, type Vec } from '../space'
import { Flattener, type PlacedPart } from './flatten'
import type { Copy, ModelDocument, Section } from './types'

/** A pair of pieces that hang on each other: what holds, what is held, and how far it turns, degrees. */
const HINGES = [
  ['hinge-plate-1x2-fork', 'fork', 'hinge-plate-1x2-tongue', 'tongue', 120],
  ['plate-1x2-cup', 'cup', 'plate-1x2-ball', 'ball', 50],
] as const
const LINKS = 4

const place = ({ shape, pose }: PlacedPart, kind: ConnectorKind): Vec =>
  posed(pose, shape.connectors.find((connector) => connector.kind === kind)!.at)
const apart = (a: Vec, b: Vec): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

const link = fc.record({
  hinge: fc.constantFrom(...HINGES),
  share: fc.double({ min: -1, max: 1, noNaN: true }),
  mirror: fc.constantFrom(undefined, 'x' as const, 'y' as const, 'z' as const),
})

/** Each section holds the next; what holds stands two studs to the right of what is held. */
function chain(links: readonly { hinge: (typeof HINGES)[number]; share: number; mirror: Copy['mirror'] }[]): ModelDocument {
  const sections = Array.from({ length: links.length + 1 }, (_, i): Section => {
    const [before, next] = [links[i - 1], links[i]]
    return {
      id: `s${i}`,
      name: `S ${i}`,
      parts: [
        { id: 'held', shape: before ? before.hinge[2] : 'plate-1x2', colour: 'sand', at: [0, 0, 0] },
        { id: 'holds', shape: next ? next.hinge[0] : 'plate-1x2', colour: 'sand', at: [2 * STUD_PITCH, 0, 0], turn: '+y-x' },
      ],
      copies: next
        ? [
            {
              id: 'next',
              section: `s${i + 1}`,
              ...(next.mirror ? { mirror: next.mirror } : {}),
              joint: {
                on: { part: 'holds', kind: next.hinge[1] },
                by: { part: 'held', kind: next.hinge[3] },
                angles: next.hinge[1] === 'fork' ? [next.share * next.hinge[4]] : [0, next.share * next.hinge[4], 0],
              },
            },
          ]
        : [],
    }
  })
  return { format: 'jump-rail-model', version: 1, name: 'Chain', root: 's0', sections }
}

it('a chain of links holds together at every joint, however they are bent and mirrored, and mirrors as a whole', () => {
  fc.assert(
    fc.property(fc.array(link, { minLength: LINKS, maxLength: LINKS }), (links) => {
      const model = chain(links)
      const parts = new Map(new Flattener(model).all('s0').map((part) => [part.path, part]))
      links.forEach(({ hinge }, i) => {
        const path = 'next/'.repeat(i)
        const [holds, held] = [parts.get(`${path}holds`)!, parts.get(`${path}next/held`)!]
        expect(apart(place(holds, hinge[1]), place(held, hinge[3]))).toBeLessThan(1e-6)
      })
      // The mirror image of the whole chain is the chain seen in a mirror: every hold at its mirrored place.
      const mirrored: ModelDocument = {
        ...model,
        root: 'outer',
        sections: [{ id: 'outer', name: 'Outer', copies: [{ id: 'c', section: 's0', at: [0, 0, 0], mirror: 'x' }] }, ...model.sections],
      }
      for (const image of new Flattener(mirrored).all('outer')) {
        const [, ...rest] = image.path.split('/')
        const own = parts.get(rest.join('/'))!
        const kind = own.shape.connectors.find((connector) => !['stud', 'socket', 'mouth'].includes(connector.kind))?.kind
        if (!kind) continue
        const [x, y, z] = place(own, kind)
        expect(apart(place(image, kind), [-x, y, z])).toBeLessThan(1e-6)
      }
    }),
    { numRuns: 300 },
  )
})
