import { ADVICE_IN_ENGLISH, often, type Said } from '../language'
import { findJoints, type Joints } from '../joints'
import { asBuilt, catalogueOf, Flattener, sectionById, type CopyException, type ModelDocument } from '../model'
import { unitsOf } from '../plan'
import { buildScene, sectionNodes } from '../scene'
import { isMirroring, mirrorMatrix, multiply, nearestTurn, turnText, vecOf, type Vec } from '../space'
import { looselyHeld } from './loosely-held'
import { movingGroups } from './moving'
import { partTable, type PartTable } from './part-table'
import { findRepeats, type Repeat } from './repeats'
import { SUGGESTION_KINDS, type SuggestedPose, type Suggestion, type SuggestionKind } from './suggestion'

export interface SuggestionOptions {
  /** The smallest group, parts. */
  readonly least?: number
  readonly kinds?: readonly SuggestionKind[]
  /** Told from time to time, 0 to 1. @throws to stop */
  readonly onProgress?: (share: number) => void
}

/** Groups smaller than this are told as quickly as they are copied. */
export const LEAST_GROUP = 4
/** More are not looked through. */
const MOST_SUGGESTIONS = 300

/** What could be made a section, in every section of a model, best first: what saves telling most. */
export function findSuggestions(model: ModelDocument, options: SuggestionOptions = {}): Suggestion[] {
  const { onProgress } = options
  const found = model.sections.flatMap(({ id }, i) => {
    const all = suggestionsIn(model, id, options)
    onProgress?.((i + 1) / model.sections.length)
    return all
  })
  return found
    .sort((a, b) => b.savesParts - a.savesParts || kindPlace(a) - kindPlace(b) || b.groups[0]!.length - a.groups[0]!.length)
    .slice(0, MOST_SUGGESTIONS)
    .map((suggestion, i) => ({ ...suggestion, id: `s${i + 1}` }))
}

const kindPlace = ({ kind }: Suggestion): number => SUGGESTION_KINDS.indexOf(kind)

/** The suggestions for one section's own parts, in no order. */
export function suggestionsIn(
  model: ModelDocument,
  sectionId: string,
  { least = LEAST_GROUP, kinds = SUGGESTION_KINDS }: SuggestionOptions,
): Suggestion[] {
  const section = sectionById(model, sectionId)
  const catalogue = catalogueOf(model)
  const table = partTable(section, catalogue)
  if (table.parts.length < least) return []
  const joints = jointsOf(model, table)
  const asked = new Set(kinds)
  const finding = new SectionFinding(sectionId, table, least)
  const repeats = (how: { readonly isNear: boolean; readonly withMirrors: boolean }): Repeat[] =>
    findRepeats(table, joints, catalogue, { least, ...how })
  const exact = asked.has('repeat') ? repeats({ isNear: false, withMirrors: false }) : []
  const mirrored = asked.has('mirror') ? repeats({ isNear: false, withMirrors: true }) : []
  const known = new Set<string>()
  return [
    ...[...exact, ...mirrored].flatMap((repeat) => finding.repeated(repeat, known)),
    ...(asked.has('near') ? repeats({ isNear: true, withMirrors: asked.has('mirror') }).flatMap((repeat) => finding.near(repeat)) : []),
    ...(asked.has('moving')
      ? movingGroups(table.parts.length, joints, least).map((group) => finding.single('moving', group, { key: 'suggest.joint' }))
      : []),
    ...(asked.has('locked') ? finding.locked(unitsOf(asBuilt(model), sectionId)) : []),
    ...(asked.has('loosely-held')
      ? looselyHeld(table.parts.length, joints, least).map(({ nodes, studs }) =>
          finding.single('loosely-held', nodes, { key: 'suggest.weak', n: studs }),
        )
      : []),
  ].filter(({ kind }) => asked.has(kind))
}

/** Joints between the section's own parts alone; nodes are parts by index into the table. */
function jointsOf(model: ModelDocument, { parts }: PartTable): Joints {
  const alone: ModelDocument = { ...model, root: 'alone', sections: [{ id: 'alone', name: 'alone', parts }] }
  return findJoints(buildScene(sectionNodes(alone, new Flattener(alone), 'alone')))
}

class SectionFinding {
  constructor(
    private readonly section: string,
    private readonly table: PartTable,
    private readonly least: number,
  ) {}

  repeated(repeat: Repeat, known: Set<string>): Suggestion[] {
    const key =
      repeat.groups
        .map((group) => Math.min(...group))
        .sort((a, b) => a - b)
        .join() + `/${repeat.groups[0]!.length}`
    if (known.has(key)) return []
    known.add(key)
    const kind = repeat.moves.some(({ isMirrored }) => isMirrored) ? 'mirror' : 'repeat'
    const size = repeat.groups[0]!.length
    const times = repeat.groups.length
    const about = { often: often(times) }
    const reason: Said = { key: kind === 'mirror' ? 'suggest.sameMirrored' : 'suggest.same', n: size, about }
    return [this.suggestion(kind, repeat, { savesParts: (times - 1) * size, reason })]
  }

  near(repeat: Repeat): Suggestion[] {
    const differences = repeat.groups.map((group) => this.differencesOf(repeat.groups[0]!, group))
    const count = differences.reduce((sum, each) => sum + Object.keys(each).length, 0)
    if (count === 0) return []
    const size = repeat.groups[0]!.length
    const savesParts = (repeat.groups.length - 1) * size - count
    if (savesParts <= 0) return []
    const about = {
      parts: { key: 'suggest.parts', n: size },
      often: often(repeat.groups.length),
      different: { key: 'suggest.different', n: count },
    } as const
    const reason: Said = { key: 'suggest.near', about }
    return [{ ...this.suggestion('near', repeat, { savesParts, reason }), differences }]
  }

  private differencesOf(first: readonly number[], group: readonly number[]): Record<string, CopyException> {
    const { parts } = this.table
    return Object.fromEntries(
      first.flatMap((part, i): [string, CopyException][] => {
        const other = group[i]!
        if (other < 0) return [[parts[part]!.id, null]]
        return parts[other]!.colour === parts[part]!.colour ? [] : [[parts[part]!.id, { colour: parts[other]!.colour }]]
      }),
    )
  }

  single(kind: SuggestionKind, group: readonly number[], reason: Said): Suggestion {
    const move = { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0], isMirrored: false } as const
    return this.suggestion(kind, { groups: [group], moves: [move] }, { savesParts: 0, reason })
  }

  /** What the planner makes sections of their own. */
  locked(units: readonly (readonly string[])[]): Suggestion[] {
    const numbers = new Map(this.table.parts.map(({ id }, i) => [id, i]))
    return units
      .map((ids) => ids.flatMap((id) => numbers.get(id) ?? []))
      .filter((group) => group.length >= this.least)
      .map((group) => this.single('locked', group, { key: 'suggest.locked' }))
  }

  private suggestion(
    kind: SuggestionKind,
    { groups, moves }: Repeat,
    { savesParts, reason }: { readonly savesParts: number; readonly reason: Said },
  ): Suggestion {
    const { parts } = this.table
    const origin = this.originOf(groups[0]!)
    const poses = moves.map(({ matrix, at }): SuggestedPose => {
      const place = vecOf(
        (axis) => at[axis] + matrix[axis * 3]! * origin[0] + matrix[axis * 3 + 1]! * origin[1] + matrix[axis * 3 + 2]! * origin[2] + 0,
      )
      const isMirrored = isMirroring({ matrix, at })
      const turn = nearestTurn(isMirrored ? multiply(matrix, mirrorMatrix('x')) : matrix)!
      return { at: place, turn: turnText(turn), ...(isMirrored ? { mirror: 'x' as const } : {}) }
    })
    const named = groups.map((group) => group.filter((part) => part >= 0).map((part) => parts[part]!.id))
    return { id: '', kind, section: this.section, groups: named, poses, savesParts, reason: ADVICE_IN_ENGLISH.say(reason), said: reason }
  }

  /** The lowest corner of a group: the origin of its section. */
  private originOf(group: readonly number[]): Vec {
    return vecOf((axis) => group.reduce((least, part) => Math.min(least, this.table.parts[part]!.at![axis]), Infinity))
  }
}
