import { describe, expect, it } from 'vitest'
import { BASE_CATALOGUE } from '../catalogue'
import { searchShapes } from './index'

/** Pieces as people describe them who do not know what they are called here, and what they would be glad to find. */
const DESCRIPTIONS: readonly (readonly [said: string, glad: RegExp])[] = [
  ['jumper plate', /^jumper/],
  ['L bracket', /^bracket/],
  ['wheel arch', /^arch|^curve/],
  ['roof tile 2x2', /^slope-2x2$/],
  ['small slanted one by one', /^slope-low-1x1/],
  ['turn table', /^turntable/],
  ['big wheel', /^wheel-large/],
  ['green leaf', /^leaf/],
  ['plait 2x4', /^plate-2x4$/],
  ['flat round 4 by 4', /^round-(plate|tile)-4x4/],
  ['hosepipe', /^tube/],
  ['garden fence', /^fence/],
  ['arch for a gate', /^arch/],
  ['flag pole', /^bar|^antenna/],
  ['grill for a radiator', /^grille/],
  ['thing that holds a stick', /clip|ring-plate/],
  ['plate without studs', /^tile/],
  ['brick not round', /^brick/],
  ['window for a house', /^window/],
  ['long thin bar', /^bar-[68]/],
  ['tiny round', /^round-.*1x1/],
  ['tooth wheel', /^gear/],
  ['corner plate 2x2', /^plate-corner-2x2/],
  ['upside down slope', /^slope-inv/],
  ['thing to climb on', /^ladder/],
  ['plant', /^(stem|leaf|flower)/],
  ['barrel', /^round-brick/],
  ['flagpole', /^bar|^antenna/],
  ['rubber band', /^band/],
  ['dome for a tower', /^dome/],
  ['church spire', /^slope-.*tall|^cone/],
  ['pointed hat', /^figure-hat|^cone/],
  ['smooth 1x2', /^tile-1x2$/],
  ['baseplate 32x32', /^base-32x32/],
  ['base plate big', /^base-/],
  ['hinge for a lid', /^hinge|^turntable/],
  ['ball joint', /ball/],
  ['socket for a ball', /cup|ball/],
  ['peg with friction', /^pin/],
  ['cross axle 5 long', /^axle-5/],
  ['cog 24', /^gear-24/],
  ['tyre', /^wheel/],
  ['oar', /^tool-paddle/],
  ['lamp to hold', /^tool-lantern/],
  ['helmet', /^figure-h/],
  ['face', /^figure/],
  ['legs of a person', /^figure-leg/],
  ['car seat', /^chair/],
  ['desk', /^table/],
  ['steering wheel', /^steering-wheel/],
  ['mast', /^bar|^antenna/],
  ['tall window 1x4', /^window-1x4/],
  ['door frame', /^door|^window/],
  ['thin wall 1x4', /^panel-1x4/],
  ['half cylinder', /^round-brick|^quarter|^dome|^curve/],
  ['brick with a hole', /^brick-.*hole/],
  ['brick with stud on side', /side\d/],
  ['sideways brick 1x1', /^brick-1x1-side/],
  ['wing left', /^wedge-plate.*left/],
  ['triangle plate', /^wedge-plate/],
  ['long plate 1x8', /^plate-1x8$/],
  ['red brick 2x4', /^brick-2x4$/],
  ['two by two dark grey plate', /^plate-2x2$/],
  ['transparent window', /^window/],
  ['round 1x1 see through', /^round-.*1x1/],
  ['string', /^cord|^band|^tube/],
  ['chain link', /^chain/],
  ['handrail', /^fence|handle/],
  ['bannister', /^fence/],
  ['curved roof', /^curve|^slope/],
  ['ridge of a roof', /^slope-ridge/],
  ['bonnet', /^curve/],
  ['quarter circle tile 2x2', /^quarter-tile-2x2/],
  ['column', /^round-brick|tall/],
  ['coin', /^round-tile/],
  ['no studs round', /^round-tile|^dome|^tile|^bush/],
  ['spanner', /^tool-spanner/],
  ['gear box axle', /^axle/],
  ['lift arm 5', /^beam-5/],
  ['bent beam', /^beam-bent/],
]

describe('plain descriptions', () => {
  it('find a right piece among the first eight for 95 of 100', () => {
    const lost = DESCRIPTIONS.filter(([said, glad]) => !searchShapes(BASE_CATALOGUE, said, 8).some(({ id }) => glad.test(id)))
    const words = lost.map(([said]) => said).join(', ')
    expect(lost.length, `not found: ${words}`).toBeLessThanOrEqual(DESCRIPTIONS.length * 0.05)
  })

  it('put what was refused behind everything else', () => {
    const first = (said: string) => searchShapes(BASE_CATALOGUE, said, 12).map(({ id }) => id)
    expect(first('round plate without studs').every((id) => !id.startsWith('round-plate'))).toBe(true)
    expect(first('brick not round').some((id) => id.startsWith('round'))).toBe(false)
  })

  it('one unknown word weighs and does not veto', () => {
    expect(searchShapes(BASE_CATALOGUE, 'brick 2x4 for my grandmother', 1)[0]?.id).toBe('brick-2x4')
    expect(searchShapes(BASE_CATALOGUE, 'xyzzy', 5)).toEqual([])
  })
})
