import type { Said } from '../language'
import { catalogueOf, partsOf, type Part, type Section } from '../model'
import { halvesOf, withParts } from '../edits'
import type { BuiltSection } from '../plan'
import { defineCheck, type Trouble, type WayOut } from './check'
import { inTheWay, stepNumber } from './naming'
import { hasGivenSteps, planAgain } from './ways'

export const blocked = defineCheck({
  code: 'blocked',
  severity: 'error',
  about: 'A part or copy can be brought in from no side past what is there before it.',
  scope: 'rail',
  find({ built }) {
    const name = (node: number): string => built.scene.nodes[node]!.id
    return built.blocks.map(({ node, blockers, interlocking }) => {
      const id = name(node)
      const ways = blockers.map(({ travel, by }) => ({ travel, by: name(by) }))
      const [core, keys] = [(interlocking?.core ?? []).map(name), (interlocking?.keys ?? []).map(name)]
      // Those without which the others come apart stand first: the ways out act on them.
      const parts = [...new Set([...keys, id, ...blockers.map(({ by }) => name(by)), ...core])]
      const about = { id, advice: adviceFor(built, core, keys) }
      const said: Said =
        ways.length === 0 ? { key: 'blocked.noOrder', about } : { key: 'blocked.ways', about: { ...about, ways: inTheWay(ways) } }
      return { step: stepNumber(built, node), parts, said }
    })
  },
  waysOut: (trouble) => (hasGivenSteps(trouble.section) ? planAgain(trouble) : untie(trouble)),
})

function adviceFor(built: BuiltSection, core: readonly string[], keys: readonly string[]): Said {
  if (core.length === 0) return { key: built.frame ? 'blocked.frame' : 'blocked.earlier' }
  const parts = { parts: core }
  if (keys.length === 0) return { key: 'blocked.locked', about: { parts } }
  return { key: 'blocked.keys', n: keys.length, about: { parts, keys: { parts: keys } } }
}

/** What is interlocking comes apart with a part less, or by shorter pieces in its place. */
function untie({ model, section, finding }: Trouble): WayOut[] {
  const part = partsOf(section).find((candidate) => candidate.id === finding.parts[0])
  if (!part) return []
  const halves = halvesOf(part, catalogueOf(model).shapes, idsOf(section))
  const replaceBy = (parts: readonly Part[]) => (now: typeof model) =>
    withParts(now, section.id, (all) => all.flatMap((other) => (other.id === part.id ? parts : [other])))
  return [
    ...(halves ? [{ label: { key: 'act.swap' as const, about: { id: part.id } }, change: replaceBy(halves) }] : []),
    { label: { key: 'act.leaveOut', about: { id: part.id } }, change: replaceBy([]) },
  ]
}

const idsOf = ({ parts, copies }: Section): Set<string> => new Set([...(parts ?? []), ...(copies ?? [])].map(({ id }) => id))
