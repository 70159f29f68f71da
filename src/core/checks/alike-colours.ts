import { alikeFor, type Catalogue, type Colour } from '../catalogue'
import type { Said } from '../language'
import { memoLast } from '../memo'
import { catalogueOf } from '../model'
import type { Scene } from '../scene'
import { defineCheck } from './check'
import { idsInOrder } from './naming'
import { writeNote } from './ways'

/** Two colours of one shape in one step. */
interface ColourPair {
  readonly shape: string
  readonly colours: readonly [string, string]
  readonly nodes: readonly number[]
}

/** Hard to tell apart for all eyes, or for those that lack a kind of cone. */
export const alikeColours = defineCheck({
  code: 'alike-colours',
  severity: 'warning',
  about: 'A step brings one shape in two colours that are hard to tell apart.',
  scope: 'rail',
  find({ model, built }) {
    const catalogue = catalogueOf(model)
    return built.steps.flatMap((step, i) =>
      pairsOf(step, built.scene).flatMap((pair) => {
        const said = saidOf(pair, catalogue)
        return said === undefined ? [] : [{ step: i + 1, parts: idsInOrder(built, pair.nodes), said }]
      }),
    )
  },
  waysOut: (trouble) => writeNote(trouble, 'note.where'),
})

/** @returns undefined where the two are told apart */
function saidOf({ shape, colours }: ColourPair, catalogue: Catalogue): Said | undefined {
  const [one, other] = colours.map((id) => catalogue.colours.get(id)!) as [Colour, Colour]
  // What is seen through, shines or glows is told apart by that.
  const alike = one.finish === other.finish ? alikeFor(one.hex, other.hex) : 'none'
  if (alike === 'none') return undefined
  const piece = { piece: catalogue.shapes.get(shape)!.title }
  return {
    key: alike === 'all' ? 'alike.all' : 'alike.some',
    about: { one: { colour: one.name }, other: { colour: other.name }, shape: piece },
  }
}

/** What a step brings does not change while its list of nodes stays, so it is sorted once. */
const pairsOf = memoLast((step: readonly number[], scene: Scene): readonly ColourPair[] => {
  const byShape = new Map<string, Map<string, number[]>>()
  for (const node of step) {
    const { kind, parts } = scene.nodes[node]!
    if (kind !== 'part') continue
    const { shape, colour } = parts[0]!
    const colours = byShape.get(shape.id) ?? new Map<string, number[]>()
    colours.set(colour, [...(colours.get(colour) ?? []), node])
    byShape.set(shape.id, colours)
  }
  return [...byShape].flatMap(([shape, colours]) => {
    const list = [...colours]
    return list.flatMap(([one, mine], k) =>
      list.slice(k + 1).map(([other, theirs]): ColourPair => ({ shape, colours: [one, other], nodes: [...mine, ...theirs] })),
    )
  })
})
