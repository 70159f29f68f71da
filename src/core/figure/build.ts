import type { Catalogue, Connector, Shape } from '../catalogue'
import { Fault } from '../fault'
import type { Copy, FigureLimb, FigureOption, FigureRecipe, ModelDocument, Part, Section } from '../model'
import { add, DIRECTION_VECTORS, scale, subtract, type Vec } from '../space'
import { HANGS, LIMBS, NEEDED, slotTitle, SLOTS, type Slot } from './recipe'

/** The piece that the designer publishes for a slot; undefined where it is left empty. */
function chosenOption(recipe: FigureRecipe, slot: Slot): FigureOption | undefined {
  const entry = recipe.slots[slot]
  return entry?.options[entry.chosen ?? 0]
}

/** A part in place, before it is known in whose section. */
interface Placed {
  readonly part: Part
  readonly shape: Shape
  readonly at: Vec
}

/**
 * The sections of a figure: one of its own, and one for each limb that moves, hung on the torso by its joint. Every part takes
 * its place from the connector it hangs on.
 *
 * @throws Fault `empty-slot` where legs, torso or head are missing, `no-such-connector` where a piece cannot hang in its slot
 */
function figureSections(recipe: FigureRecipe, catalogue: Catalogue): Section[] {
  for (const slot of NEEDED) {
    if (!chosenOption(recipe, slot)) throw new Fault('empty-slot', `A figure needs ${slotTitle(slot).toLowerCase()}.`, { place: slot })
  }
  return new FigureBuilder(recipe, catalogue).build()
}

class FigureBuilder {
  private readonly main: Part[] = []
  private readonly sections: Section[] = []
  private readonly placed = new Map<Slot, Placed>()

  constructor(
    private readonly recipe: FigureRecipe,
    private readonly catalogue: Catalogue,
  ) {}

  build(): Section[] {
    const { main } = this
    const whole: Limb = { parts: main, copies: [] }
    this.place('legs', [0, 0, this.legLength()])
    this.hangMoving('legLeft', 'Left leg', [], whole)
    this.hangMoving('legRight', 'Right leg', [], whole)
    this.hang('torso', main)
    this.hang('back', main)
    this.hangMoving('head', 'Head', ['headwear'], whole)
    this.hang('neck', main)
    this.hangMoving('armLeft', 'Left arm', ['handLeft', 'heldLeft'], whole)
    this.hangMoving('armRight', 'Right arm', ['handRight', 'heldRight'], whole)
    return [sectionOf(this.recipe.section, this.recipe.name, whole), ...this.sections]
  }

  /** How far below hips their legs reach, u: so high the hips stand, so that a figure stays on its feet whichever it has. */
  private legLength(): number {
    const hips = this.shapeIn('legs')
    return (['legLeft', 'legRight'] as const).reduce((most, slot) => {
      const leg = this.shapeIn(slot)
      if (!hips || !leg) return most
      const { kind, number, by } = HANGS[slot]!
      return Math.max(most, connector(leg, by, 1, slot).at[2] - connector(hips, kind, number, slot).at[2])
    }, 0)
  }

  private shapeIn(slot: Slot): Shape | undefined {
    const option = chosenOption(this.recipe, slot)
    return option && this.catalogue.shapes.get(option.shape)
  }

  private place(slot: Slot, at: Vec): void {
    const made = this.partFor(slot, at)
    if (made) this.main.push(made.part)
  }

  private partFor(slot: Slot, at: Vec, turn?: string): Placed | undefined {
    const option = chosenOption(this.recipe, slot)
    if (!option) return undefined
    const shape = this.catalogue.shapes.get(option.shape)!
    const { shape: piece, colour, work } = option
    const part: Part = {
      id: slotPartId(slot),
      shape: piece,
      colour,
      at,
      ...(turn === undefined ? {} : { turn }),
      ...(work ? { work } : {}),
    }
    const made = { part, shape, at }
    this.placed.set(slot, made)
    return made
  }

  /** Hangs a piece upright on the one below it, in the same section. */
  private hang(slot: Slot, into: Part[]): void {
    const option = chosenOption(this.recipe, slot)
    const { on, kind, number, by } = HANGS[slot]!
    const holder = this.placed.get(on)
    if (!option || !holder) return
    const shape = this.catalogue.shapes.get(option.shape)!
    const seat = connector(holder.shape, kind, number, slot)
    const mine = connector(shape, by, 1, slot)
    const target = add(holder.at, seat.at)
    const made = slot.startsWith('held') ? this.held(slot, shape, target, mine) : this.partFor(slot, subtract(target, mine.at))
    if (made) into.push(made.part)
  }

  /** What a hand holds points forward, gripped a little way along its handle. */
  private held(slot: Slot, shape: Shape, grip: Vec, bar: Connector): Placed | undefined {
    const along = Math.min(GRIP, (bar.length ?? 0) - 2)
    // Turned so that +x looks to −y: x' = y, y' = length − x.
    const gripped = add(bar.at, scale(DIRECTION_VECTORS[bar.facing]!, Math.max(0, along)))
    const there: Vec = [gripped[1], shape.box[0] - gripped[0], gripped[2]]
    return this.partFor(slot, subtract(grip, there), '-y+x')
  }

  /** Hangs a limb on a joint, in a section of its own, with all that hangs on it. A hand that is not turned is part of its arm. */
  private hangMoving(slot: Slot, name: string, more: readonly Slot[], into: Limb): void {
    const option = chosenOption(this.recipe, slot)
    const { on, kind, number, by } = HANGS[slot]!
    const holder = this.placed.get(on)
    if (!option || !holder) return
    connector(holder.shape, kind, number, slot)
    connector(this.catalogue.shapes.get(option.shape)!, by, 1, slot)
    const limb: Limb = { parts: [], copies: [] }
    const made = this.partFor(slot, [0, 0, 0])
    if (made) limb.parts.push(made.part)
    const [next, ...rest] = more
    if (next && isLimb(next) && (this.recipe.pose?.[next] ?? 0) !== 0) this.hangMoving(next, slotTitle(next), rest, limb)
    else for (const each of more) this.hang(each, limb.parts)
    const id = `${this.recipe.section}-${slotPartId(slot)}`
    this.sections.push(sectionOf(id, `${this.recipe.name}, ${name.toLowerCase()}`, limb))
    const angle = isLimb(slot) ? (this.recipe.pose?.[slot] ?? 0) : 0
    into.copies.push({
      id,
      section: id,
      joint: {
        on: { part: holder.part.id, kind, number },
        by: { part: slotPartId(slot), kind: by },
        ...(angle === 0 ? {} : { angles: [angle] }),
      },
    })
  }
}

/** What a section of a figure is made of. */
interface Limb {
  readonly parts: Part[]
  readonly copies: Copy[]
}

const sectionOf = (id: string, name: string, { parts, copies }: Limb): Section => ({
  id,
  name,
  parts,
  ...(copies.length > 0 ? { copies } : {}),
})

const isLimb = (slot: Slot): slot is FigureLimb & Slot => (LIMBS as readonly string[]).includes(slot)

/** How far along its handle a hand holds a thing, u. */
const GRIP = 8

/** The id of the part that fills a slot. */
export const slotPartId = (slot: Slot): string => slot.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)

function connector(shape: Shape, kind: Connector['kind'], number: number, slot: Slot): Connector {
  const found = shape.connectors.filter((each) => each.kind === kind)[number - 1]
  if (found) return found
  throw new Fault('no-such-connector', `“${shape.title}” cannot be used for ${slotTitle(slot).toLowerCase()}: it has no ${kind}.`, {
    place: slot,
    wayOut: 'Choose a piece made for it.',
  })
}

/** The model with a figure in it, made or made anew; steps of its sections are planned again. Other sections stay as they are. */
export function withFigure(model: ModelDocument, recipe: FigureRecipe, catalogue: Catalogue): ModelDocument {
  const made = figureSections(recipe, catalogue)
  const owns = (id: string): boolean => id === recipe.section || SLOTS.some((slot) => id === `${recipe.section}-${slotPartId(slot)}`)
  const kept = model.sections.filter(({ id }) => !owns(id))
  const figures = [...(model.figures ?? []).filter(({ id }) => id !== recipe.id), recipe]
  return { ...model, sections: [...kept, ...made], figures }
}

/** Our own plain figure, to begin with. */
export function plainFigure(id: string, name: string): FigureRecipe {
  const one = (shape: string, colour: string) => ({ chosen: 0, options: [{ shape, colour }] })
  return {
    id,
    name,
    section: id,
    slots: {
      legs: one('figure-legs', 'navy'),
      torso: one('figure-torso', 'teal'),
      armLeft: one('figure-arm-left', 'teal'),
      armRight: one('figure-arm-right', 'teal'),
      handLeft: one('figure-hand', 'peach'),
      handRight: one('figure-hand', 'peach'),
      head: one('figure-head', 'peach'),
      headwear: one('figure-hair-short', 'brown'),
    },
    pose: { armLeft: -20, armRight: 20 },
  }
}
