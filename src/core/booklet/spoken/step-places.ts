import { memo } from '../../memo'
import { copiesOf, copyPose, Flattener, isLoose, partsOf, placedPart, type ModelDocument, type Part, type PlacedPart } from '../../model'
import type { Move, PlanStep } from '../../plan'
import { posedBox, unite, type Box, type Vec } from '../../space'
import type { IndexedSection, PlanIndex } from '../plan-index'
import { copyById } from '../plan-index'
import { placeWords } from './place-words'

/** What a step brings, a line each: the piece or section, how it lies, where it goes. */
export const stepPlaces = (index: PlanIndex, section: IndexedSection, step: PlanStep): string[] =>
  step.moves.flatMap((move) => movePlaces(index, section, move))

function movePlaces(index: PlanIndex, { base }: IndexedSection, move: Move): string[] {
  const { words } = index
  const { model } = index.source
  const origin = () => originOf(model, base.id)
  if ('parts' in move) {
    const parts = partsById(partsOf(base))
    return move.parts.flatMap((id) => {
      const part = parts.get(id)
      return part && !isLoose(part) ? [partWords(index, part, origin())] : []
    })
  }
  const joined = index.joined({ base } as IndexedSection, move)
  const target = joined && index.section(joined.id)
  if (!target) return []
  const name = words.say('spoken.section', { letter: target.letter, name: target.name })
  // A unit was built in the same frame.
  if ('section' in move) return [words.say('spoken.ownPlace', { name })]
  const copy = copyById(copiesOf(base), move.copy)!
  return [`${name}${placeWords({ box: sectionBox(model, copy.section), pose: copyPose(model, base, copy), origin: origin() }, words)}.`]
}

function partWords({ words, catalogue }: PlanIndex, part: Part, origin: Vec): string {
  const { shape, pose } = placedPart(part, catalogue)
  const colour = words.within(catalogue.colours.get(part.colour)?.name ?? part.colour)
  const long = part.length === undefined ? '' : `, ${words.say('piece.long', { n: words.number(part.length) })}`
  const place = placeWords({ box: { min: [0, 0, 0], max: shape.box }, pose, origin }, words)
  // What is cut to its length has a shape of its own, and the name of what it is cut from.
  const piece = catalogue.shapes.get(part.shape)?.title ?? shape.title
  return `${words.say('piece.inColour', { piece, colour })}${long}${place}.`
}

const partsById = memo((parts: readonly Part[]): ReadonlyMap<string, Part> => new Map(parts.map((part) => [part.id, part])))

/** Around the body boxes of all parts of a section, in its lattice. */
function sectionBox(model: ModelDocument, id: string): Box {
  const boxes = boxesOf(model)
  let box = boxes.known.get(id)
  if (!box) boxes.known.set(id, (box = boxes.flattener.all(id).map(boxOf).reduce(unite, EMPTY)))
  return box
}

const boxesOf = memo((model: ModelDocument) => ({ flattener: new Flattener(model), known: new Map<string, Box>() }))
const boxOf = ({ shape, pose }: PlacedPart): Box => posedBox(pose, { min: [0, 0, 0], max: shape.box })
const EMPTY: Box = { min: [Infinity, Infinity, Infinity], max: [-Infinity, -Infinity, -Infinity] }

/** The left front corner at the bottom of a finished section. */
const originOf = (model: ModelDocument, id: string): Vec => sectionBox(model, id).min
