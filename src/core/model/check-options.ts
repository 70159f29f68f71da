import type { Catalogue } from '../catalogue'
import { Fault } from '../fault'
import { refuseDoubles, refuseUnknown } from './refuse'
import { copiesOf, partsOf, sectionsById, type ModelDocument } from './types'

/**
 * Options and variants name what is there, each once, and nothing is both in and out.
 * @param before a checked document: sections that both share are taken as checked where the options are the same
 * @throws Fault `double-id`, `unknown-option`, `unknown-section`, `unknown-colour`, `bad-value`
 */
export function checkOptions(model: ModelDocument, { colours }: Catalogue, before?: ModelDocument): void {
  const { options = [], variants = [] } = model
  refuseDoubles(options, (i) => `options[${i}].id`)
  refuseDoubles(variants, (i) => `variants[${i}].id`)
  const known = new Set(options.map(({ id }) => id))
  const each = (ids: readonly string[] | undefined, place: string): void =>
    ids?.forEach((id, i) => refuseUnknown('option', id, known, `${place}[${i}]`))
  options.forEach(({ needs, rulesOut }, i) => {
    each(needs, `options[${i}].needs`)
    each(rulesOut, `options[${i}].rulesOut`)
  })
  const sections = sectionsById(model)
  variants.forEach(({ with: taken, without, recolour }, i) => {
    each(taken, `variants[${i}].with`)
    each(without, `variants[${i}].without`)
    refuseBoth(taken ?? [], without ?? [], `variants[${i}].without`)
    recolour?.forEach(({ from, to, section }, k) => {
      const place = `variants[${i}].recolour[${k}]`
      refuseUnknown('colour', from, colours, `${place}.from`)
      refuseUnknown('colour', to, colours, `${place}.to`)
      if (section !== undefined) refuseUnknown('section', section, sections, `${place}.section`)
    })
  })
  const shared = new Set(before?.options === model.options ? before?.sections : [])
  model.sections.forEach((section, i) => {
    if (shared.has(section)) return
    const things = [
      { list: partsOf(section), name: 'parts' },
      { list: copiesOf(section), name: 'copies' },
    ]
    for (const { list, name } of things) {
      list.forEach(({ option, unless }, k) => {
        const place = `sections[${i}].${name}[${k}]`
        if (option !== undefined) refuseUnknown('option', option, known, `${place}.option`)
        if (unless !== undefined) refuseUnknown('option', unless, known, `${place}.unless`)
      })
    }
  })
}

/** @throws Fault `bad-value` where an option is to be in and out */
export function refuseBoth(taken: readonly string[], left: readonly string[], place: string): void {
  const both = left.find((id) => taken.includes(id))
  if (both !== undefined)
    throw new Fault('bad-value', `The option “${both}” is to be in and out.`, { place, wayOut: 'Keep one of the two.' })
}
