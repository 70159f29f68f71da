import type { Words } from '../language'
import { memo } from '../memo'
import { catalogueOf, copiesOf, jointReach, sectionsById } from '../model'
import type { PlanStep, SectionPlan } from '../plan'
import { isDrawn } from './finished-picture'
import { differenceWords, nearCopies } from './near-copies'
import type { Join, StepPage } from './pages'
import { stepLabel } from './pages'
import { copyById, isSmallUnit, type IndexedSection, type PlanIndex } from './plan-index'
import { reachWords } from './reach-words'
import { aheadWords, insetWords, seenFromWords, spokenStep } from './step-words'
import { sideSign } from './side-sign'
import { notesOfStep } from './step-notes'
import { LAYINGS, turnWords } from './turn-words'
import { versionWords } from './versions'

/** The page of one step of a section. */
export function stepPage(index: PlanIndex, section: IndexedSection, step: PlanStep): StepPage {
  const { plan, letter } = section
  const { words } = index
  const given = index.given(section, step)
  const joins = joinsOf(index, section, step)
  const label = stepLabel(letter, step.number)
  const view = index.source.views[section.index]?.[step.number - 1] ?? 0
  const hasPicture = isDrawn(section)
  const next = hasPicture && step.number < plan.steps.length ? (index.source.views[section.index]?.[step.number] ?? 0) : view
  const insets = index.insetsOf(plan.id, step.number).map(({ view, things }) => ({ view, things }))
  const seenFrom = hasPicture
    ? [
        seenFromWords(view, words),
        ...[...new Set(insets.map((inset) => inset.view))].filter((other) => other !== view).map((other) => insetWords(other, words)),
      ]
        .filter((text) => text !== '')
        .join('. ')
    : ''
  const turn = turnWords(step.turn, words) || (step.moves.some((move) => move.direction === '+z') ? lifted(plan, step, words) : '')
  // With its first step a section's tray says it.
  const bag = step.number === 1 && !isSmallUnit(section) ? '' : index.bag(plan.id, step.number)
  const alone = isSmallUnit(section) ? [words.say('step.alone')] : []
  const only = versionWords(index.source, section.base, step)
  const remarks = [...(only === '' ? [] : [only]), ...alone, ...reachesOf(index, section, step), ...differencesOf(index, section, step)]
  return {
    kind: joins.length > 0 ? 'jump' : 'step',
    section: plan.id,
    letter,
    name: section.name,
    number: step.number,
    of: plan.steps.length,
    label,
    callout: step.callout,
    joins,
    rests: step.rests,
    bag,
    locked: given?.locked === true,
    ...notesOfStep(given, words),
    picture: hasPicture ? { section: plan.id, step: step.number - 1, view, ...(insets.length > 0 ? { insets } : {}) } : null,
    turn,
    lies: orientationsOf(plan)[step.number - 1] ?? UPRIGHT,
    ...(given?.view === undefined ? {} : { chosenView: given.view }),
    seenFrom,
    ahead: aheadWords(view, next, words),
    aheadSign: next === view ? '' : sideSign(view, next),
    remarks,
    spoken: [
      bag === '' ? '' : `${bag}.`,
      spokenStep({ label, step, joins, turn }, words),
      seenFrom === '' ? '' : `${seenFrom}.`,
      ...remarks,
    ]
      .filter((text) => text !== '')
      .join(' '),
  }
}

function joinsOf(index: PlanIndex, section: IndexedSection, step: PlanStep): Join[] {
  const joins = new Map<string, Join & { count: number }>()
  const standsApart = section.base.apart === true
  for (const move of step.moves) {
    const joined = index.joined(section, move)
    if (!joined) continue
    const key = `${joined.id}${joined.mirrored ? ' mirrored' : ''}`
    const known = joins.get(key)
    if (known) known.count++
    else {
      const planned = index.section(joined.id)
      const name = planned?.name ?? joined.id
      joins.set(key, { label: planned?.letter ?? '', name, mirrored: joined.mirrored, count: 1, standsApart })
    }
  }
  return [...joins.values()]
}

function reachesOf({ source: { model }, words }: PlanIndex, { base }: IndexedSection, step: PlanStep): string[] {
  return step.moves.flatMap((move) => {
    const copy = 'copy' in move ? copyById(copiesOf(base), move.copy) : undefined
    const reach = copy?.joint ? reachWords(jointReach(model, base, copy, catalogueOf(model)), words) : ''
    return reach === '' ? [] : [words.say('reach.named', { name: sectionsById(model).get(copy!.section)?.name ?? copy!.section, reach })]
  })
}

/** Where a section is nearly another, the steps that bring what is otherwise say so. */
function differencesOf(index: PlanIndex, { base }: IndexedSection, step: PlanStep): string[] {
  const { words } = index
  const near = nearCopies(index.source.model).get(base.id)
  const like = near && index.section(near.of)
  if (!like) return []
  const isOtherwise = step.moves.some((move) => 'parts' in move && move.parts.some((id) => near.changed.has(id)))
  return isOtherwise
    ? [
        words.say('step.otherwise', {
          letter: like.letter,
          words: words.list(differenceWords(near, catalogueOf(index.source.model), words)),
        }),
      ]
    : []
}

const UPRIGHT = LAYINGS[0]!.turn

/** What comes from below needs the work lifted, unless it lies upside down already. */
function lifted(section: SectionPlan, step: PlanStep, { say }: Words): string {
  const orientation = orientationsOf(section)[step.number - 1]
  return orientation === undefined || turnWords(orientation) === turnWords('+x+y') ? say('turn.lift') : ''
}

/** How the work lies in each step; undefined as long as nothing was said. */
const orientationsOf = memo((section: SectionPlan): readonly (string | undefined)[] => {
  let orientation: string | undefined
  return section.steps.map(({ turn }) => (orientation = turn ?? orientation))
})
