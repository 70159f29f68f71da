import { catalogueOf, partsOf, type Part, type Section } from '../model'
import { halvesOf, withParts } from '../edits'
import type { BuiltSection } from '../plan'
import { defineCheck, type Trouble, type WayOut } from './check'
import { nameParts, stepNumber, wayInWords } from './naming'
import { hasGivenSteps, planAgain } from './ways'

export const blocked = defineCheck({
  code: 'blocked',
  severity: 'error',
  title: 'No way in',
  about: 'A part or copy can be brought in from no side past what is there before it.',
  scope: 'rail',
  find({ built }) {
    const name = (node: number): string => built.scene.nodes[node]!.id
    return built.blocks.map(({ node, blockers, interlocking }) => {
      const id = name(node)
      const ways = blockers.map(({ travel, by }) => `${wayInWords(travel)} “${name(by)}” is in the way`)
      const [core, keys] = [(interlocking?.core ?? []).map(name), (interlocking?.keys ?? []).map(name)]
      // Those without which the others come apart stand first: the ways out act on them.
      const parts = [...new Set([...keys, id, ...blockers.map(({ by }) => name(by)), ...core])]
      const reason = ways.length === 0 ? 'no order leaves everything held' : ways.join('; ')
      return { step: stepNumber(built, node), parts, message: `There is no way in for “${id}”: ${reason}. ${advice(built, core, keys)}` }
    })
  },
  waysOut: (trouble) => (hasGivenSteps(trouble.section) ? planAgain(trouble) : untie(trouble)),
})

function advice(built: BuiltSection, core: readonly string[], keys: readonly string[]): string {
  if (core.length === 0)
    return built.frame
      ? 'Take one of them out, or swap it for shorter pieces.'
      : 'Add it in an earlier step, or build it into a section of its own.'
  const interlocking = `${nameParts(core)} lock each other.`
  if (keys.length === 0) return `${interlocking} Take more than one of them out, or swap them for shorter pieces.`
  return `${interlocking} Without ${keys.length === 1 ? nameParts(keys) : `one of ${nameParts(keys)}`} the others come apart: leave it for later, or swap it for shorter pieces.`
}

/** What is interlocking comes apart with a part less, or by shorter pieces in its place. */
function untie({ model, section, finding }: Trouble): WayOut[] {
  const part = partsOf(section).find((candidate) => candidate.id === finding.parts[0])
  if (!part) return []
  const halves = halvesOf(part, catalogueOf(model).shapes, idsOf(section))
  const replaceBy = (parts: readonly Part[]) => (now: typeof model) =>
    withParts(now, section.id, (all) => all.flatMap((other) => (other.id === part.id ? parts : [other])))
  return [
    ...(halves ? [{ label: `Swap “${part.id}” for two shorter pieces`, change: replaceBy(halves) }] : []),
    { label: `Leave “${part.id}” out for now`, change: replaceBy([]) },
  ]
}

const idsOf = ({ parts, copies }: Section): Set<string> => new Set([...(parts ?? []), ...(copies ?? [])].map(({ id }) => id))
