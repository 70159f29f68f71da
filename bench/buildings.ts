import { buildRoofOn, buildWalls, model, SectionBuilder } from '../demo/kit'
import type { ModelDocument } from '../src/core/model'

/** Outer size of a house and the gap to the next, in studs. */
const COLUMNS = 16
const ROWS = 12
const PITCH_X = 20
const PITCH_Y = 16

/**
 * A town of equal houses on one ground, all in one section, as large as wanted: what a designer who never cut the model
 * would bring. Each house has about 190 parts: walls in bond with doors and windows, furniture, a ceiling and a roof.
 */
export function town(parts: number): ModelDocument {
  const houses = Math.max(1, Math.round(parts / 190))
  const across = Math.ceil(Math.sqrt(houses))
  const builder = new SectionBuilder('town', 'Town')
  const down = Math.ceil(houses / across)
  layGround(builder, across * PITCH_X, down * PITCH_Y)
  for (let house = 0; house < houses; house++) {
    addHouse(builder, (house % across) * PITCH_X * 10 + 20, Math.floor(house / across) * PITCH_Y * 10 + 20)
  }
  return model('Town', '', 'town', [builder])
}

/** The same town with a section for each house, all of them different to the program: many lanes, each of its own. */
export function townOfSections(parts: number): ModelDocument {
  const houses = Math.max(1, Math.round(parts / 190))
  const across = Math.ceil(Math.sqrt(houses))
  const ground = new SectionBuilder('town', 'Town')
  layGround(ground, across * PITCH_X, Math.ceil(houses / across) * PITCH_Y)
  const sections = Array.from({ length: houses }, (_, house) => {
    const builder = new SectionBuilder(`house-${house}`, `House ${house + 1}`)
    addHouse(builder, 0, 0)
    ground.copy(builder.id, [(house % across) * PITCH_X * 10 + 20, Math.floor(house / across) * PITCH_Y * 10 + 20, 0])
    return builder
  })
  return model('Town of houses', '', 'town', [ground, ...sections])
}

/** A model with plates that hang in the air: so many errors, and warnings with them. */
export function withFlaws(document: ModelDocument, count: number): ModelDocument {
  const flaws = Array.from({ length: count }, (_, i) => ({
    id: `flaw-${i}`,
    shape: 'plate-1x1',
    colour: 'red',
    at: [i * 20, 0, 600] as const,
  }))
  return {
    ...document,
    sections: document.sections.map((section) =>
      section.id === document.root ? { ...section, parts: [...(section.parts ?? []), ...flaws] } : section,
    ),
  }
}

/** Two layers of plates, the second shifted by half a plate each way, so that the ground holds together. */
function layGround(builder: SectionBuilder, wide: number, rows: number): void {
  const columns = Math.ceil(wide / 16) * 16
  for (let y = 0; y < rows; y += 8) for (let x = 0; x < columns; x += 16) builder.add('ground', 'plate-8x16', 'olive', [x * 10, y * 10, 0])
  for (let y = 4; y + 8 <= rows; y += 8) {
    builder.add('turf', 'plate-8x8', 'moss', [0, y * 10, 4]).add('turf', 'plate-8x8', 'moss', [columns * 10 - 80, y * 10, 4])
    for (let x = 8; x + 16 <= columns; x += 16) builder.add('turf', 'plate-8x16', 'moss', [x * 10, y * 10, 4])
  }
  for (const y of [0, rows - 4]) {
    builder.add('edge', 'plate-4x4', 'moss', [0, y * 10, 4]).add('edge', 'plate-4x4', 'moss', [columns * 10 - 40, y * 10, 4])
    for (let x = 4; x + 8 <= columns; x += 8) builder.add('edge', 'plate-4x8', 'moss', [x * 10, y * 10, 4])
  }
}

function addHouse(builder: SectionBuilder, x: number, y: number): void {
  buildWalls(builder, {
    at: [x, y, 8],
    columns: COLUMNS,
    rows: ROWS,
    courses: 8,
    word: 'wall',
    colour: (course) => (course < 1 ? 'slate' : 'ivory'),
    openings: [
      { side: 'front', from: 6, to: 9, first: 0, last: 3 },
      { side: 'front', from: 11, to: 14, first: 2, last: 4 },
      { side: 'back', from: 4, to: 7, first: 2, last: 4 },
      { side: 'left', from: 4, to: 7, first: 2, last: 4 },
    ],
  })
  for (const dx of [40, 70]) {
    builder.add('chest', 'brick-2x2', 'cocoa', [x + dx, y + 60, 8]).add('lid', 'tile-2x2', 'tan', [x + dx, y + 60, 20])
  }
  buildRoofOn(builder, { columns: COLUMNS, rows: ROWS, colour: 'rust', gable: 'ivory', ridge: 'cocoa', at: [x, y, 104] })
}
