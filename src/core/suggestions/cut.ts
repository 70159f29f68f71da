import { joinInstead } from '../edits'
import { Fault } from '../fault'
import { asBuilt, copiesOf, partsOf, sectionById, type Copy, type ModelDocument, type Part, type Section } from '../model'
import { canBeBuilt } from '../plan'
import { subtract, turnText, NO_TURN } from '../space'
import { LEAST_GROUP, suggestionsIn, type SuggestionOptions } from './find-suggestions'
import { SUGGESTION_KINDS, type Suggestion, type SuggestionKind } from './suggestion'

/** The document with a suggestion taken: the first group a section of its own, a copy of it in the place of each group. */
export function acceptSuggestion(model: ModelDocument, suggestion: Suggestion, name?: string): ModelDocument {
  const whole = sectionById(model, suggestion.section)
  const gone = new Set(suggestion.groups.flat())
  const sectionIds = new Set(model.sections.map(({ id }) => id))
  const nodeIds = new Set([...partsOf(whole), ...copiesOf(whole)].map(({ id }) => id).filter((id) => !gone.has(id)))
  const id = freeId(sectionIds, `${suggestion.section}-part`)
  const copies = suggestion.poses.map(({ at, turn, mirror }, i): Copy => {
    const except = suggestion.differences?.[i]
    return {
      id: takeId(nodeIds, suggestion.poses.length === 1 ? id : `${id}-${i + 1}`),
      section: id,
      at,
      ...(turn === turnText(NO_TURN) ? {} : { turn }),
      ...(mirror === undefined ? {} : { mirror }),
      ...(except && Object.keys(except).length > 0 ? { except } : {}),
    }
  })
  const first = new Set(suggestion.groups[0])
  const origin = suggestion.poses[0]!.at
  const parts = partsOf(whole)
    .filter((part) => first.has(part.id))
    .map((part): Part => ({ ...part, at: subtract(part.at!, origin) }))
  const places = (whole.places ?? []).filter(({ part }) => first.has(part))
  const cut: Section = {
    id,
    name: name ?? `${whole.name.slice(0, 180)}, part ${id.slice(id.lastIndexOf('-') + 1)}`,
    parts,
    ...(places.length > 0 ? { places } : {}),
  }
  const kept = (whole.places ?? []).filter(({ part }) => !gone.has(part))
  const { places: _places, steps, parts: _parts, copies: _copies, ...rest } = whole
  const left: Section = {
    ...rest,
    parts: partsOf(whole).filter((part) => !gone.has(part.id)),
    copies: [...copiesOf(whole), ...copies],
    ...(kept.length > 0 ? { places: kept } : {}),
    ...(steps
      ? {
          steps: joinInstead(
            steps,
            suggestion.groups,
            copies.map((copy) => copy.id),
          ),
        }
      : {}),
  }
  return { ...model, sections: model.sections.flatMap((section) => (section.id === whole.id ? [left, cut] : [section])) }
}

function freeId(taken: ReadonlySet<string>, base: string): string {
  let number = 1
  while (taken.has(`${base}-${number}`)) number++
  return `${base}-${number}`
}

function takeId(taken: Set<string>, wanted: string): string {
  let id = wanted
  while (taken.has(id)) id = `${id}'`
  taken.add(id)
  return id
}

/** The kinds that `--cut` takes where none is named: those that save telling. */
export const SAVING_KINDS: readonly SuggestionKind[] = ['repeat', 'mirror', 'near']

export interface CutResult {
  readonly model: ModelDocument
  readonly taken: readonly Suggestion[]
}

/** Rounds of looking again at what was cut: sections within sections. */
const MOST_ROUNDS = 40

/**
 * The document with the best suggestions taken, the one that saves most first, as long as any saves something; what was cut is
 * looked at again, for sections within it. A cut after which the model could not be built is not made.
 * @param kinds those that save nothing are taken last
 */
export function cutUp(
  model: ModelDocument,
  kinds: readonly SuggestionKind[],
  options: Pick<SuggestionOptions, 'least' | 'onProgress'> = {},
): CutResult {
  const taken: Suggestion[] = []
  const refused = new Set<string>()
  const known = new Map<Section, readonly Suggestion[]>()
  const least = options.least ?? LEAST_GROUP
  const buildable = new Map<Section, boolean>()
  let now = model
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const all = now.sections.flatMap((section) => {
      let found = known.get(section)
      if (!found) known.set(section, (found = suggestionsIn(now, section.id, { kinds, least })))
      return found
    })
    const best = disjoint(all.filter((each) => !refused.has(keyOf(each)) && isWorth(each, now)))
    if (best.length === 0) break
    // To see whether it can be built costs most, so all are tried at once, and by halves where some of them cannot be built.
    const tryAll = (some: readonly Suggestion[]): void => {
      const next = some.reduce((cut, each) => acceptSuggestion(cut, each), now)
      if (isBuildable(next, now, buildable)) {
        now = next
        taken.push(...some)
      } else if (some.length === 1) refused.add(keyOf(some[0]!))
      else {
        tryAll(some.slice(0, Math.ceil(some.length / 2)))
        tryAll(some.slice(Math.ceil(some.length / 2)))
      }
    }
    tryAll(best)
    options.onProgress?.(1 - 1 / (round + 2))
  }
  return { model: now, taken }
}

const keyOf = ({ section, groups }: Suggestion): string => `${section} ${groups.map((group) => `${group[0]} ${group.length}`).join()}`

/** Fewer parts are told as quickly as a section is opened. */
const LEAST_SAVING = 3

/** A section that is nothing but the group would be cut for ever. */
const isWorth = ({ section, groups, savesParts, kind }: Suggestion, model: ModelDocument): boolean => {
  if (SAVING_KINDS.includes(kind)) return savesParts >= LEAST_SAVING
  const whole = sectionById(model, section)
  return groups.flat().length + copiesOf(whole).length < partsOf(whole).length + copiesOf(whole).length
}

/** The best that do not collide: no part is in two of them; at most one of each section at a time, since ids and places change. */
function disjoint(all: readonly Suggestion[]): Suggestion[] {
  const sorted = [...all].sort((a, b) => b.savesParts - a.savesParts || SUGGESTION_KINDS.indexOf(a.kind) - SUGGESTION_KINDS.indexOf(b.kind))
  const used = new Set<string>()
  return sorted.filter(({ section, groups }) => {
    const ids = groups.flat().map((id) => `${section} ${id}`)
    if (ids.some((id) => used.has(id))) return false
    ids.forEach((id) => used.add(id))
    return true
  })
}

/** Whether what was cut can be built as well as before: the sections that are new or changed come apart without force. */
function isBuildable(next: ModelDocument, before: ModelDocument, known: Map<Section, boolean>): boolean {
  const built = asBuilt(next)
  const old = new Set(before.sections)
  try {
    return built.sections.every((section) => {
      if (old.has(section)) return true
      let can = known.get(section)
      if (can === undefined) known.set(section, (can = canBeBuilt(built, section.id)))
      return can
    })
  } catch (thrown) {
    if (thrown instanceof Fault) return false
    throw thrown
  }
}
