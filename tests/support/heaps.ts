import fc from 'fast-check'
import { BASE_CATALOGUE } from '@core/catalogue'
import type { ModelDocument, Part } from '@core/model'
import { apply, DIRECTION_VECTORS, turnText, TURNS, type Vec } from '@core/space'
import { oneSection, part } from './models'
import { Geometry, overlaps, type Thing } from '@core/replay'

const SHAPES = [
  'plate-1x1',
  'plate-1x2',
  'plate-2x2',
  'plate-corner-2x2',
  'brick-1x1',
  'brick-1x2',
  'tile-1x2',
  'brick-1x1-side1',
  'brick-1x1-side4',
  'bracket-1x2-1x2-up',
  'bracket-1x2-1x2-down',
  'slope-inv-2x1',
  'jumper-1x2',
  'wedge-plate-2x3-left',
] as const

const thingOf = (candidate: Part): Thing => new Geometry(oneSection([candidate])).part('main', candidate.id)!

/**
 * Connected models without overlaps: each part takes hold of one that is there, by a stud or a socket chosen by the numbers;
 * what would overlap is left out. Hostile on purpose: parts hang, stand sideways and lock each other.
 */
export const connectedHeap = (most: number): fc.Arbitrary<ModelDocument> =>
  fc.array(fc.tuple(fc.nat(1000), fc.nat(1000), fc.nat(1000), fc.nat(1000)), { minLength: 2, maxLength: most }).map((choices) => {
    const parts: Part[] = [part('p0', 'plate-2x2', [0, 0, 0])]
    const things: Thing[] = [thingOf(parts[0]!)]
    choices.forEach(([shapeChoice, holdChoice, turnChoice, targetChoice], i) => {
      const shape = BASE_CATALOGUE.shapes.get(SHAPES[shapeChoice % SHAPES.length]!)!
      const targets = things.flatMap((t) => [
        ...t.studs.map((s) => ({ ...s, kind: 'socket' })),
        ...t.sockets.map((s) => ({ ...s, kind: 'stud' })),
      ])
      const target = targets[targetChoice % targets.length]!
      const holds = shape.connectors.filter((c) => c.kind === target.kind)
      const hold = holds[holdChoice % Math.max(1, holds.length)]
      if (!hold) return
      const fitting = TURNS.map((matrix, turn) => ({ matrix, turn })).filter(({ matrix }) =>
        apply(matrix, DIRECTION_VECTORS[hold.facing]!).every((value, k) => value === -target.axis[k]!),
      )
      const { turn } = fitting[turnChoice % fitting.length]!
      const loose = thingOf(part(`p${i + 1}`, shape.id, [0, 0, 0], turnText(turn)))
      const list = hold.kind === 'stud' ? loose.studs : loose.sockets
      const mine = list[shape.connectors.filter((c) => c.kind === hold.kind).indexOf(hold)]!
      const at = target.foot.map((value, k) => value - mine.foot[k]!) as unknown as Vec
      const candidate = part(`p${i + 1}`, shape.id, at, turnText(turn))
      const thing = thingOf(candidate)
      if (things.some((other) => overlaps(thing, other))) return
      parts.push(candidate)
      things.push(thing)
    })
    return oneSection(parts)
  })
