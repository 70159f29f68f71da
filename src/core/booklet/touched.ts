import { catalogueIn } from '../catalogue'
import { ENGLISH, type Words } from '../language'
import { catalogueOf, sectionsById, type ModelDocument } from '../model'
import { baseSection, plansById, type SectionPlan } from '../plan'

/** Something in the picture of a step: what it is in words, and the step of the section that brings it, from 0. */
export interface TouchedThing {
  readonly title: string
  readonly step?: number
}

/** What a part of a picture is, and with what it came. @param path ids of copies and of the part, joined by "/" */
export function pathWords(
  { model, sections }: { readonly model: ModelDocument; readonly sections: readonly SectionPlan[] },
  plan: SectionPlan,
  path: string,
  words: Words = ENGLISH,
): TouchedThing {
  const ids = path.split('/')
  const base = baseSection(plan, plansById(sections))?.id ?? plan.id
  const step = stepOf(plan, ids[0]!, plansById(sections))
  const names = sectionsById(model)
  let section = names.get(base)
  const within: string[] = []
  for (const id of ids.slice(0, -1)) {
    section = names.get(section?.copies?.find((copy) => copy.id === id)?.section ?? '')
    if (section) within.push(section.name)
  }
  const part = section?.parts?.find(({ id }) => id === ids[ids.length - 1])
  const { shapes, colours } = catalogueIn(catalogueOf(model), words)
  const piece = part
    ? `${shapes.get(part.shape)?.title ?? part.shape}, ${words.within(colours.get(part.colour)?.name ?? part.colour)}`
    : path
  return {
    title: within.length > 0 ? words.say('touched.within', { piece, within: within.join(', ') }) : piece,
    ...(step < 0 ? {} : { step }),
  }
}

/** The step that brings a part or copy, itself or inside a derived section; −1 where none does. */
function stepOf(plan: SectionPlan, id: string, plans: ReadonlyMap<string, SectionPlan>): number {
  return plan.steps.findIndex(({ moves }) =>
    moves.some((move) => {
      if ('parts' in move) return move.parts.includes(id)
      if ('copy' in move) return move.copy === id
      const unit = plans.get(move.section)
      return unit !== undefined && stepOf(unit, id, plans) >= 0
    }),
  )
}
