import { TECHNIQUE_POLICIES, type TechniquePolicy } from './techniques'
import { type Finding, type Severity } from './finding'
import type { Joints } from '../joints'
import { findOverlaps, MOST_OVERLAPS, type Overlap } from '../motion'
import type { Scene } from '../scene'
import { catalogueOf, copiesOf, isLoose, partsOf, sectionById, sectionUses, type ModelDocument, type Part, type SectionUse } from '../model'
import { plural } from '../words'
import type { BuiltSection, PlannedModel } from '../plan'
import type { StepLook } from '../picture'
import { tipsOver } from './balance'
import { finding } from './finding'
import { idsOf, nameParts, stepNumber } from './place'
import { straightSeams } from './seams'
import { lostPlaces } from './access'
import { alikeColours } from './alike'
import { largeUnit } from './large-unit'
import { lightGaps } from './light'
import { neverSeen } from './never-seen'
import { turnTraps } from './turn-trap'
import { strained } from './strained'
import { weakJoints, type Level } from './weak'
import { wayInWords } from './words'

/** Everything the checks find, errors first, then in building order. */
export function findFindings(
  model: ModelDocument,
  planned: PlannedModel,
  looks?: readonly (readonly StepLook[])[],
  level: Level = 'home',
  policy: TechniquePolicy = TECHNIQUE_POLICIES.usual,
): Finding[] {
  const standing = standingSections(model)
  const uses = sectionUses(model)
  const byId = new Map(planned.built.map((built) => [built.id, built]))
  const findings = planned.built.flatMap((built, i) => [
    ...(built.derivedFrom === undefined
      ? [...overlaps(built), ...mirrorTwins(model, built), ...looseParts(model, built), ...unjoined(built, uses)]
      : []),
    ...steps(built),
    ...lostLocks(built),
    ...(built.derivedFrom === undefined ? [] : largeUnit(built, byId.get(built.derivedFrom))),
    ...blocked(built),
    ...holding(built),
    ...hidden(built, looks?.[i] ?? []),
    ...weakJoints(built, level),
    ...straightSeams(built),
    ...(standing.has(built.id) ? tipsOver(built, built.id === model.root) : []),
    ...alikeColours(model, built),
    ...strained(built, policy),
    ...turnTraps(model, built, looks?.[i] ?? []),
    ...lostPlaces(model, built),
    ...(built.id === model.root ? [...lightGaps(built), ...neverSeen(model, built)] : []),
  ])
  const rank: readonly Severity[] = ['error', 'warning', 'note']
  return findings
    .map((found, i) => ({ found, i }))
    .sort((a, b) => rank.indexOf(a.found.severity) - rank.indexOf(b.found.severity) || a.i - b.i)
    .map(({ found }) => found)
}

/** Sections that stand on the table as they grow; a unit, or what only hangs on a joint at an angle, is held in the hand. */
function standingSections(model: ModelDocument): Set<string> {
  const copies = model.sections.flatMap(copiesOf)
  const upright = new Set(copies.filter((copy) => !copy.joint && !copy.rotate).map((copy) => copy.section))
  const used = new Set(copies.map((copy) => copy.section))
  return new Set(model.sections.map(({ id }) => id).filter((id) => upright.has(id) || !used.has(id)))
}

export const hasErrors = (findings: readonly Finding[]): boolean => findings.some((found) => found.severity === 'error')

/** Overlaps of the section's parts and copies; inside a derived section they are found here too, since it keeps its parts. */
function overlaps(built: BuiltSection): Finding[] {
  const { scene, joints } = built
  const byNodes = new Map<string, { paths: string[]; nodes: [number, number] }>()
  const all = overlapsOf(scene, joints)
  for (const { a, b } of all) {
    const nodes: [number, number] = [scene.partNode[a]!, scene.partNode[b]!]
    const entry = byNodes.get(nodes.join()) ?? { paths: [], nodes }
    entry.paths.push(scene.parts[a]!.path, scene.parts[b]!.path)
    byNodes.set(nodes.join(), entry)
  }
  const more = `More than ${MOST_OVERLAPS} pairs of parts share space; those beyond are not told. Move these apart first.`
  const rest = all.length >= MOST_OVERLAPS ? [finding('overlap', { section: built.base, step: null, parts: [] }, more)] : []
  const told = [...byNodes.values()].map(({ nodes, paths }) => {
    const step = Math.max(...nodes.map((node) => stepNumber(built, node) ?? 0)) || null
    const ids = idsOf(built, nodes)
    const inside = paths.length > 2 || paths.some((path) => path.includes('/')) ? ` They meet at ${nameParts([...new Set(paths)])}.` : ''
    return finding('overlap', { section: built.base, step, parts: ids }, `${nameParts(ids)} share space.${inside} Move one of them.`)
  })
  return [...told, ...rest]
}

/** Overlaps do not depend on steps: they are found once for a scene, which lives as long as no part moves. */
const known = new WeakMap<object, Overlap[]>()

function overlapsOf(scene: Scene, joints: Joints): Overlap[] {
  let found = known.get(scene.geometry)
  if (!found) known.set(scene.geometry, (found = findOverlaps(scene, joints)))
  return found
}

/** What nothing joins is planned, but counts nowhere: said before somebody misses the pieces. */
function unjoined(built: BuiltSection, uses: ReadonlyMap<string, SectionUse>): Finding[] {
  const { times, mirrored } = uses.get(built.base)!
  const parts = built.scene.parts.length + built.looseParts.flat().length
  if (times + mirrored > 0 || parts === 0) return []
  const message = `Nothing joins this section, so its ${plural(parts, 'part')} are in no count and no booklet.`
  return [finding('unjoined', { section: built.base, step: null, parts: [] }, message)]
}

function mirrorTwins(model: ModelDocument, built: BuiltSection): Finding[] {
  // Reported where the mirror is set, not again in every copy around it.
  return copiesOf(sectionById(model, built.base)).flatMap((copy) => {
    if (copy.mirror === undefined) return []
    const node = built.scene.nodes.findIndex((spec) => spec.kind === 'copy' && spec.id === copy.id)
    const parts = built.scene.nodes[node]?.parts ?? []
    const lacking = [...new Set(parts.filter((placed) => placed.lacksTwin).map((placed) => placed.shape.id))]
    if (lacking.length === 0) return []
    const { shapes } = catalogueOf(model)
    const titles = lacking.map((id) => shapes.get(id)!.title)
    return [
      finding(
        'no-mirror-twin',
        { section: built.base, step: node < 0 ? null : stepNumber(built, node), parts: [copy.id] },
        `The mirrored copy “${copy.id}” needs the mirror image of ${titles.join(', ')}, which does not exist. Use another shape there, or build that side by itself.`,
      ),
    ]
  })
}

function looseParts(model: ModelDocument, built: BuiltSection): Finding[] {
  const loose = looseOf(partsOf(sectionById(model, built.base)))
  if (loose.length === 0) return []
  const ids = loose.map((part) => part.id)
  const message = `${nameParts(ids)} ${ids.length === 1 ? 'is' : 'are'} counted but ${ids.length === 1 ? 'has' : 'have'} no position, so nothing about ${ids.length === 1 ? 'its' : 'their'} place is checked.`
  return [finding('loose', { section: built.base, step: null, parts: ids }, message)]
}

const looseLists = new WeakMap<readonly Part[], readonly Part[]>()

/** Lists of parts are never changed in place, so each is searched once. */
function looseOf(parts: readonly Part[]): readonly Part[] {
  let loose = looseLists.get(parts)
  if (!loose) looseLists.set(parts, (loose = parts.filter(isLoose)))
  return loose
}

function steps(built: BuiltSection): Finding[] {
  const found: Finding[] = []
  if (built.missing.length > 0) {
    const message = `No step adds ${nameParts(built.missing)}. Put ${built.missing.length === 1 ? 'it' : 'them'} into a step.`
    found.push(finding('step-missing', { section: built.id, step: null, parts: built.missing }, message))
  }
  for (const { id, step } of built.twice) {
    const message = `Step ${step + 1} adds “${id}” again. Take it out of one of its steps.`
    found.push(finding('step-twice', { section: built.id, step: step + 1, parts: [id] }, message))
  }
  return found
}

function lostLocks({ base, lostLocks: lost }: BuiltSection): Finding[] {
  return (lost ?? []).map(({ ids, because }) => {
    const reason =
      because.length === 0 ? 'its parts do not go in one after another' : `${nameParts(because)} must come into the middle of it`
    const message = `The locked step with ${nameParts(ids)} could not be kept: ${reason}. Unlock it, or lock the parts in between with it.`
    return finding('lock-lost', { section: base, step: null, parts: [...ids, ...because] }, message)
  })
}

function blocked(built: BuiltSection): Finding[] {
  const name = (node: number): string => built.scene.nodes[node]!.id
  return built.blocks.map(({ node, blockers, knot }) => {
    const id = name(node)
    const ways = blockers.map(({ travel, by }) => `${wayInWords(travel)} “${name(by)}” is in the way`)
    const [core, keys] = [(knot?.core ?? []).map(name), (knot?.keys ?? []).map(name)]
    // Those that would untie the knot come first: the ways out act on them.
    const parts = [...new Set([...keys, id, ...blockers.map(({ by }) => name(by)), ...core])]
    const reason = ways.length === 0 ? 'no order leaves everything held' : ways.join('; ')
    return finding(
      'blocked',
      { section: built.id, step: stepNumber(built, node), parts },
      `There is no way in for “${id}”: ${reason}. ${blockedAdvice(built, core, keys)}`,
    )
  })
}

function blockedAdvice(built: BuiltSection, core: readonly string[], keys: readonly string[]): string {
  if (core.length === 0)
    return built.frame
      ? 'Take one of them out, or swap it for shorter pieces.'
      : 'Add it in an earlier step, or build it into a section of its own.'
  const knot = `${nameParts(core)} lock each other.`
  if (keys.length === 0) return `${knot} Take more than one of them out, or swap them for shorter pieces.`
  return `${knot} Without ${keys.length === 1 ? nameParts(keys) : `one of ${nameParts(keys)}`} the others come apart: leave it for later, or swap it for shorter pieces.`
}

function holding(built: BuiltSection): Finding[] {
  return built.holding.problems.map(({ code, step, nodes }) => {
    const ids = idsOf(
      built,
      [...nodes].sort((a, b) => a - b),
    )
    const message =
      code === 'unheld'
        ? `Nothing holds ${nameParts(ids)}. Connect ${ids.length === 1 ? 'it' : 'them'} to the rest, or make ${ids.length === 1 ? 'it' : 'them'} a section.`
        : `${nameParts(ids)} lie${ids.length === 1 ? 's' : ''} loose on the table for more than three steps. Add what holds ${ids.length === 1 ? 'it' : 'them'} sooner.`
    return finding(code, { section: built.id, step: step + 1, parts: ids }, message)
  })
}

function hidden(built: BuiltSection, looks: readonly StepLook[]): Finding[] {
  return looks.flatMap(({ shares }, i) => {
    if (!shares.includes(0)) return []
    const unseen = (built.steps[i] ?? []).filter((_, k) => shares[k] === 0)
    if (unseen.length === 0) return []
    const ids = idsOf(built, unseen)
    const message = `${nameParts(ids)} cannot be seen in the picture of this step. Add ${ids.length === 1 ? 'it' : 'them'} before what hides ${ids.length === 1 ? 'it' : 'them'}.`
    return [finding('hidden', { section: built.id, step: i + 1, parts: ids }, message)]
  })
}
