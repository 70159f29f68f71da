import { alikeFor, type Catalogue } from '../catalogue'
import { catalogueOf, type ModelDocument } from '../model'
import type { BuiltSection } from '../plan'
import type { Finding } from './finding'
import { finding } from './finding'

/** Two colours of one shape in one step. */
interface Pair {
  readonly shape: string
  readonly colours: readonly [string, string]
  readonly nodes: readonly number[]
}

/** Steps that bring one shape in two colours which are hard to tell apart, for all eyes or for those that lack a kind of cone. */
export function alikeColours(model: ModelDocument, built: BuiltSection): Finding[] {
  const catalogue = catalogueOf(model)
  const findings: Finding[] = []
  built.steps.forEach((step, i) => {
    for (const pair of pairsOf(built, step)) {
      const words = wordsOf(pair, catalogue)
      if (words === undefined) continue
      const parts = [...pair.nodes].sort((a, b) => a - b).map((node) => built.scene.nodes[node]!.id)
      findings.push(finding('alike-colours', { section: built.id, step: i + 1, parts }, words))
    }
  })
  return findings
}

/** @returns undefined where the two are told apart */
function wordsOf({ shape, colours }: Pair, catalogue: Catalogue): string | undefined {
  const [one, other] = colours.map((id) => catalogue.colours.get(id)!) as [Colour, Colour]
  // What is seen through, shines or glows is told apart by that.
  const alike = one.finish === other.finish ? alikeFor(one.hex, other.hex) : 'none'
  if (alike === 'none') return undefined
  const whom = alike === 'all' ? 'hard to tell apart' : 'hard to tell apart for eyes that see fewer colours'
  return `${one.name} and ${other.name} are ${whom}, and this step has ${catalogue.shapes.get(shape)!.title} in both. Put them into different steps, or say in a note which goes where.`
}

type Colour = NonNullable<ReturnType<Catalogue['colours']['get']>>

/** What a step brings does not change while its list of nodes stays, so it is sorted once. */
const known = new WeakMap<readonly number[], readonly Pair[]>()

function pairsOf({ scene }: BuiltSection, step: readonly number[]): readonly Pair[] {
  let pairs = known.get(step)
  if (pairs) return pairs
  const byShape = new Map<string, Map<string, number[]>>()
  for (const node of step) {
    const { kind, parts } = scene.nodes[node]!
    if (kind !== 'part') continue
    const { shape, colour } = parts[0]!
    const colours = byShape.get(shape.id) ?? new Map<string, number[]>()
    colours.set(colour, [...(colours.get(colour) ?? []), node])
    byShape.set(shape.id, colours)
  }
  pairs = [...byShape].flatMap(([shape, colours]) => {
    const list = [...colours]
    return list.flatMap(([one, mine], k) =>
      list.slice(k + 1).map(([other, theirs]): Pair => ({ shape, colours: [one, other], nodes: [...mine, ...theirs] })),
    )
  })
  known.set(step, pairs)
  return pairs
}
