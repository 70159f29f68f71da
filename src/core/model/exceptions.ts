import { isByLength } from '../catalogue'
import { keepNoteParts } from './step-notes'
import { copiesOf, partsOf, type Copy, type CopyException, type ModelDocument, type Part, type Section } from './types'

type Exceptions = Readonly<Record<string, CopyException>>

/** A section as it is in a copy that differs: parts changed or gone, and what concerns copies within handed on to them. */
export function withExceptions(section: Section, except: Exceptions): Section {
  const parts = partsOf(section).flatMap((part): Part[] => {
    const exception = Object.hasOwn(except, part.id) ? except[part.id] : undefined
    return exception === null ? [] : [exception === undefined ? part : exceptedPart(part, exception)]
  })
  const copies = copiesOf(section).map((copy): Copy => {
    const within = inside(except, copy.id)
    return Object.keys(within).length === 0 ? copy : { ...copy, except: { ...copy.except, ...within } }
  })
  const there = new Set([...parts, ...copies].map(({ id }) => id))
  const { steps, places, ...rest } = section
  return {
    ...rest,
    parts,
    ...(copies.length > 0 ? { copies } : {}),
    ...(places ? { places: places.filter(({ part }) => there.has(part)) } : {}),
    ...(steps
      ? {
          steps: steps.map((step) =>
            keepNoteParts(step.add ? { ...step, add: step.add.filter((id) => there.has(id)) } : step, (id) => there.has(id)),
          ),
        }
      : {}),
  }
}

/** What concerns one copy within: "copy/part" becomes "part". */
function inside(except: Exceptions, copy: string): Exceptions {
  const prefix = `${copy}/`
  return Object.fromEntries(
    Object.entries(except).flatMap(([path, each]) => (path.startsWith(prefix) ? [[path.slice(prefix.length), each]] : [])),
  )
}

/**
 * The document with each kind of differing copy as a section of its own, as it is planned, counted and drawn; the same document
 * where no copy differs.
 */
export function asBuilt(model: ModelDocument): ModelDocument {
  if (!model.sections.some((section) => copiesOf(section).some(({ except }) => except))) return model
  const sections = new Map(model.sections.map((section) => [section.id, section]))
  const variants = new Map<string, string>()
  const taken = new Set(sections.keys())
  const result: Section[] = []
  const settle = (section: Section): Section => {
    if (!copiesOf(section).some(({ except }) => except)) return section
    const copies = copiesOf(section).map(({ except, ...copy }): Copy =>
      except ? { ...copy, section: variantOf(copy.section, except) } : copy,
    )
    return { ...section, copies }
  }
  const variantOf = (base: string, except: Exceptions): string => {
    const key = `${base} ${JSON.stringify(Object.entries(except).sort(([a], [b]) => (a < b ? -1 : 1)))}`
    let id = variants.get(key)
    if (id === undefined) {
      let number = 2
      while (taken.has(`${base}-${number}`)) number++
      id = `${base}-${number}`
      taken.add(id)
      variants.set(key, id)
      const section = sections.get(base)!
      result.push(settle({ ...withExceptions(section, except), id, name: `${section.name}, kind ${number}` }))
    }
    return id
  }
  const settled = model.sections.map(settle)
  return { ...model, sections: [...settled, ...result] }
}

/** A part as an exception has it; one that becomes a shape of fixed size has no length any more. */
function exceptedPart(part: Part, exception: Exclude<CopyException, null>): Part {
  const { length, ...rest } = { ...part, ...exception }
  return length === undefined || !isByLength(rest.shape) ? rest : { ...rest, length }
}
