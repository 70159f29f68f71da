import { createHash } from 'node:crypto'
import { inflateSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { town } from '../../../bench/buildings'
import { oneSection, part } from '../../../tests/support/models'
import { BASE_CATALOGUE } from '../catalogue'
import { Flattener, type ModelDocument } from '../model'
import { planModel } from '../plan'
import {
  drawnSection,
  encodePng,
  fitCamera,
  lookAtSteps,
  paintPiece,
  pieceSource,
  project,
  RailPainter,
  freeViewWords,
  turnedBy,
  turnedOver,
  turnedViewOf,
  USUAL_VIEW,
  VIEWS,
  type DrawnSection,
  type RgbImage,
} from './index'
import { isLit, SHEENS } from './sheen'

const TURNED = turnedViewOf(0)
const SIZE = { width: 200, height: 150 }
const tower = oneSection(
  [0, 1, 2, 3].map((i) => part(`b${i}`, 'brick-2x4', [0, 0, i * 12], undefined, i % 2 === 0 ? 'red' : 'navy')),
  [0, 1, 2, 3].map((i) => ({ add: [`b${i}`] })),
)
const drawn = (model: ModelDocument): DrawnSection => drawnSection(model, new Flattener(model), planModel(model).plan.sections, 'main')
const painter = (model: ModelDocument): RailPainter => new RailPainter(drawn(model), BASE_CATALOGUE, SIZE)
const looksOf = (model: ModelDocument) => {
  const { scene, steps, orientations } = planModel(model).built.find(({ id }) => id === 'main')!
  return lookAtSteps({ scene, steps, orientations })
}
const hash = (image: RgbImage): string => createHash('sha256').update(image.data).digest('hex')
const inked = (image: RgbImage): number => {
  let dots = 0
  for (let i = 0; i < image.data.length; i += 3) if (image.data[i]! + image.data[i + 1]! + image.data[i + 2]! < 3 * 250) dots++
  return dots
}

/** Whether something is drawn along the edges of a picture. */
const reachesEdge = ({ data, width, height }: RgbImage): boolean => {
  const isPaper = (x: number, y: number): boolean => data[(y * width + x) * 3]! > 250
  const all = (count: number, at: (i: number) => boolean): boolean => Array.from({ length: count }, (_, i) => at(i)).every(Boolean)
  const isFree = all(width, (x) => isPaper(x, 0) && isPaper(x, height - 1)) && all(height, (y) => isPaper(0, y) && isPaper(width - 1, y))
  return !isFree
}

describe('pictures of a large section', () => {
  const model = town(600)
  const section = drawnSection(model, new Flattener(model), planModel(model).plan.sections, 'town')
  const painted = new RailPainter(section, BASE_CATALOGUE, { width: 400, height: 300 })
  const last = section.ranges.length - 1

  it('show the region that is worked on in a step', () => {
    expect(reachesEdge(painted.paint(last, 0))).toBe(true)
  })

  it('show all of the finished section, straight on and turned', () => {
    expect(reachesEdge(painted.paintFinished(0))).toBe(false)
    expect(reachesEdge(painted.paintTurned(last, TURNED, true))).toBe(false)
    expect(reachesEdge(painted.paintTurned(last, TURNED, false))).toBe(true)
  })
})

describe('the camera', () => {
  it('fits a box into the picture from all eight corners', () => {
    const box = { min: [0, 0, 0], max: [100, 40, 60] } as const
    for (const view of VIEWS) {
      const camera = fitCamera(box, view, SIZE, { margin: 10, mostScale: 50 })
      for (const x of [0, 100])
        for (const y of [0, 40])
          for (const z of [0, 60]) {
            const [px, py] = project(camera, [x, y, z])
            expect(px).toBeGreaterThanOrEqual(10 - 1e-6)
            expect(px).toBeLessThanOrEqual(190 + 1e-6)
            expect(py).toBeGreaterThanOrEqual(10 - 1e-6)
            expect(py).toBeLessThanOrEqual(140 + 1e-6)
          }
    }
  })

  it('looks down from views 0 to 3 and up from 4 to 7; what is near is nearer', () => {
    const box = { min: [0, 0, 0], max: [10, 10, 10] } as const
    for (const view of VIEWS) {
      const camera = fitCamera(box, view, SIZE, { margin: 10, mostScale: 50 })
      expect(project(camera, [0, 0, 10])[2] < project(camera, [0, 0, 0])[2]).toBe(view < 4)
      expect(project(camera, [0, 0, 10])[1]).toBeLessThan(project(camera, [0, 0, 0])[1])
    }
  })
})

describe('a view from anywhere', () => {
  it('goes round and never quite to the top, and says where it is', () => {
    expect(freeViewWords(USUAL_VIEW)).toBe('From above, front and right')
    expect(freeViewWords(turnedBy(USUAL_VIEW, { turn: -90, lift: -60 }))).toBe('From below, front and left')
    expect(freeViewWords(turnedBy(USUAL_VIEW, { turn: 360 + 90, lift: 0 }))).toBe('From above, back and right')
    expect(turnedBy(USUAL_VIEW, { turn: 0, lift: 400 }).lift).toBe(85)
    expect(freeViewWords(turnedOver(turnedOver(USUAL_VIEW)))).toBe(freeViewWords(USUAL_VIEW))
    expect(freeViewWords(turnedOver({ turn: 10, lift: 0 }))).toBe('From below, front and right')
  })
})

describe('step pictures', () => {
  it('are the same whether reached step by step or at once, forward or back', () => {
    const walking = painter(tower)
    const walked = [0, 1, 2, 3].map((step) => hash(walking.paint(step, 0)))
    for (const step of [3, 1, 2, 0]) expect(hash(painter(tower).paint(step, 0))).toBe(walked[step])
    expect(hash(walking.paint(1, 0))).toBe(walked[1])
    expect(new Set(walked).size).toBe(4)
  })

  it('grow with what is there, and mark what is new with heavier ink', () => {
    const p = painter(tower)
    const areas = [0, 1, 2, 3].map((step) => inked(p.paint(step, 0)))
    expect([...areas].sort((a, b) => a - b)).toEqual(areas)
    const dark = (image: RgbImage): number => {
      let dots = 0
      for (let i = 0; i < image.data.length; i += 3) if (image.data[i]! < 60 && image.data[i + 1]! < 60 && image.data[i + 2]! < 60) dots++
      return dots
    }
    expect(dark(p.paint(3, 0))).toBeGreaterThan(dark(p.paintFinished(0)))
  })

  it('keep the paper around', () => {
    const image = painter(tower).paint(3, 0)
    expect([...image.data.slice(0, 3)]).toEqual([255, 255, 255])
  })

  it('show a copy in its free pose', () => {
    const model: ModelDocument = {
      ...oneSection([part('a', 'plate-2x2', [0, 0, 0]), part('j', 'jumper-2x2', [0, 0, 4])]),
      sections: [
        {
          id: 'main',
          name: 'M',
          parts: [part('j', 'jumper-2x2', [0, 0, 0])],
          copies: [{ id: 'v', section: 'vane', at: [10, 10, 4], rotate: [0, 0, 40] }],
        },
        { id: 'vane', name: 'V', parts: [part('arm', 'plate-1x4', [-15, -5, 0])] },
      ],
    }
    expect(inked(painter(model).paintFinished(0))).toBeGreaterThan(500)
  })
})

describe('the look', () => {
  it('counts what shows of each part', () => {
    const looks = looksOf(tower)
    expect(looks.map((look) => look.view)).toEqual([0, 0, 0, 0])
    for (const look of looks) expect(look.shares[0]).toBeGreaterThan(0.9)
  })

  it('goes round to the side on which a part shows', () => {
    const wall = oneSection(
      [
        part('base', 'plate-4x4', [0, 0, 0]),
        part('wall', 'brick-1x4', [0, 0, 4]),
        part('wall2', 'brick-1x4', [0, 0, 16]),
        part('behind', 'plate-1x1', [0, 10, 4]),
      ],
      [{ add: ['base', 'wall', 'wall2'] }, { add: ['behind'] }],
    )
    const look = looksOf(wall)[1]!
    expect(look.view).not.toBe(0)
    expect(look.shares[0]).toBeGreaterThan(0.2)
  })
})

describe('pictures of pieces and PNG', () => {
  it('shows every shape, each unlike a blank', () => {
    for (const shape of BASE_CATALOGUE.shapes.values())
      expect(
        inked(paintPiece({ shape: shape.id, colour: 'sky' }, pieceSource(BASE_CATALOGUE), { width: 60, height: 46 })),
        shape.id,
      ).toBeGreaterThan(40)
  })

  it('writes a PNG whose rows are the picture', async () => {
    const image = painter(tower).paint(1, 0)
    const png = await encodePng(image)
    const view = new DataView(png.buffer)
    expect([...png.slice(0, 4)]).toEqual([137, 80, 78, 71])
    expect([view.getUint32(16), view.getUint32(20)]).toEqual([SIZE.width, SIZE.height])
    const length = view.getUint32(33)
    const rows = inflateSync(png.slice(41, 41 + length))
    expect(rows.length).toBe((SIZE.width * 3 + 1) * SIZE.height)
    expect(rows[0]).toBe(0)
    expect([...rows.subarray(1, 1 + SIZE.width * 3)]).toEqual([...image.data.slice(0, SIZE.width * 3)])
  })
})

describe('pieces that are not plain', () => {
  const source = pieceSource(BASE_CATALOGUE)
  const paint = (colour: string): RgbImage => paintPiece({ shape: 'brick-2x4', colour }, source, { width: 120, height: 90 })
  /** How many different tones a picture has in each row, and how many each column has: stripes across show in one of them. */
  const tones = ({ data }: RgbImage): number => {
    const counts = new Map<string, number>()
    for (let i = 0; i < data.length; i += 3) {
      const key = `${data[i]} ${data[i + 1]} ${data[i + 2]}`
      counts.set(key, (counts.get(key) ?? 0) + 1)
    }
    return [...counts.values()].filter((count) => count > 60).length
  }

  it('carry stripes of light, each finish its own', () => {
    const plain = tones(paint('slate'))
    const finishes = new Map([...BASE_CATALOGUE.colours.values()].map((colour) => [colour.finish, colour.id]))
    for (const finish of ['clear', 'metal', 'glow'] as const) expect(tones(paint(finishes.get(finish)!)), finish).toBeGreaterThan(plain)
    const lit = (finish: keyof typeof SHEENS, x: number, y: number): boolean => isLit(SHEENS[finish], x, y)
    // See-through lines run up to the right, metal bands down to the right, glow lines level.
    expect([lit('clear', 0, 0), lit('clear', 5, -5), lit('clear', 5, 5)]).toEqual([true, true, false])
    expect([lit('metal', 0, 0), lit('metal', 12, 12), lit('metal', 30, 0)]).toEqual([true, true, false])
    expect([lit('glow', 0, 0), lit('glow', 50, 0), lit('glow', 0, 3)]).toEqual([true, true, false])
  })
})
