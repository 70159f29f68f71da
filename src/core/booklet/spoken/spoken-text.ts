import { total } from '../../count'
import { memo } from '../../memo'
import type { Bundle } from '../bundle'
import { makePages } from '../page-index'
import { memberWords, type BookletSource, type StepPage, type TrayPage } from '../pages'
import { isSmallUnit, PlanIndex, type IndexedSection } from '../plan-index'
import { plural } from '../../words'
import { stepPlaces } from './step-places'

/**
 * A whole booklet in words alone, for who cannot see the pictures: section by section what to gather, then each step with the
 * place of every part. What is said is enough to build it; a test does.
 */
export function spokenText(bundle: Bundle): string {
  const index = indexOf(bundle)
  const pages = makePages(bundle)
  const { model, plan } = bundle
  const lines = [`${model.name}.`, `${plural(plan.parts, 'part')}, ${plural(plan.sections.length, 'section')}.`, HOW]
  for (const page of pages) {
    if (page.kind === 'member') lines.push('', `${page.name}: ${memberWords(page)}`)
    const section = 'section' in page ? index.section(page.section) : undefined
    if (!section) continue
    if (page.kind === 'tray') lines.push('', ...trayLines(page, section, index))
    else if (page.kind === 'step' || page.kind === 'jump')
      lines.push('', ...(isSmallUnit(section) ? headLines(section, index) : []), ...stepLines(page, section, index))
  }
  return `${lines.join('\n')}\n`
}

/** The places of what one step brings, a line each. @param number of the step, from 1 */
export function spokenPlaces(source: BookletSource, sectionId: string, number: number): string[] {
  const index = indexOf(source)
  const section = index.section(sectionId)
  const step = section?.plan.steps[number - 1]
  return section && step ? stepPlaces(index, section, step) : []
}

const indexOf = memo((source: BookletSource) => new PlanIndex(source))

const HOW =
  'Sit before the model. Places are counted as the section stands when it is finished: studs from the left, rows from the front, plates from the bottom, to the corner of the piece that is nearest to there. A piece lies with its top upward and its length to the right where nothing else is said.'

function headLines({ letter, plan }: IndexedSection, index: PlanIndex): string[] {
  const from = plan.derivedFrom === undefined ? undefined : index.section(plan.derivedFrom)
  const unit = from ? [`It is a unit of section ${from.letter}: its places are counted as those of that section.`] : []
  const times = plan.times + plan.mirrored
  return [`Section ${letter}: ${plan.name}.`, ...unit, ...(times > 1 ? [`Build it ${times} times.`] : [])]
}

function trayLines(page: TrayPage, section: IndexedSection, index: PlanIndex): string[] {
  return [
    ...headLines(section, index),
    `It takes ${plural(total(page.pieces), 'piece')} and ${plural(page.steps, 'step')}.`,
    ...(page.bag === '' ? [] : [`${page.bag}.`]),
    ...page.remarks,
  ]
}

function stepLines(page: StepPage, section: IndexedSection, index: PlanIndex): string[] {
  const step = section.plan.steps[page.number - 1]!
  const signs = page.signs.filter(({ kind }) => kind !== 'caution').map(({ text }) => text)
  const said = [...page.cautions.map((text) => `Take care: ${text}`), ...signs, ...(page.note === '' ? [] : [page.note])]
  // Where pictures are seen from helps nobody here.
  const spoken = page.seenFrom === '' ? page.spoken : page.spoken.replace(` ${page.seenFrom}.`, '')
  return [spoken, ...stepPlaces(index, section, step).map((line) => `- ${line}`), ...said]
}
