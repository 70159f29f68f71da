import type { Colour, Finish } from './types'

/** Our own colours: plain names, our own mixes. */
const SOLID = `white f6f4ee, ivory efe6cf, sand dcc79c, straw e9d886, yellow f4cb2f, amber eda02a, orange e4762a, rust ad5126,
  red c6302f, wine 7b2538, peach f3b898, pink eeb0c0, rose d9678a, violet 8d6bb5, plum 5c3a66, navy 24375f, blue 2f66b3,
  sky 86bbe0, aqua 9cd6d2, teal 1f7f86, mint b3dcc0, lime b7cf3e, green 3e9a50, forest 21603c, olive 7f7f3a, moss 98a86a,
  brown 7d5a3a, cocoa 543a2b, tan bb9468, ash a9aba8, slate 676d72, black 26282b`
const METAL = 'silver b9bec2, gold c39b3c, copper b06c45'
const CLEAR = `clear e6eef0, clear-sky b9dcee, clear-blue 5c93d4, clear-green 7cc08b, clear-amber efb75c, clear-red d9605a,
  clear-smoke 8b9094`
const GLOW = 'glow e3efc2'

const colourName = (id: string): string => {
  const plain = id.startsWith('clear-') ? `see-through ${id.slice(6)}` : id === 'clear' ? 'see-through' : id
  return plain.charAt(0).toUpperCase() + plain.slice(1)
}

const parse = (list: string, finish: Finish): Colour[] =>
  list.split(',').map((entry) => {
    const [id, hex] = entry.trim().split(/\s+/) as [string, string]
    return { id, name: colourName(id), hex: `#${hex}`, finish }
  })

export const COLOURS: readonly Colour[] = [
  ...parse(SOLID, 'solid'),
  ...parse(METAL, 'metal'),
  ...parse(CLEAR, 'clear'),
  ...parse(GLOW, 'glow'),
]
