import { total } from '../../count'
import { memo } from '../../memo'
import { makePages } from '../page-index'
import { memberWords, type BookletSource, type StepPage, type TrayPage } from '../pages'
import { isSmallUnit, PlanIndex, type IndexedSection } from '../plan-index'
import { stepPlaces } from './step-places'

/**
 * A whole booklet in words alone, for who cannot see the pictures: section by section what to gather, then each step with the
 * place of every part. What is said is enough to build it; a test does.
 */
export function spokenText(bundle: BookletSource): string {
  const index = indexOf(bundle)
  const pages = makePages(bundle)
  const { model, plan } = bundle
  const { words } = index
  const amount = words.say('inventory.counts', {
    parts: words.count('count.parts', plan.parts),
    pieces: words.count('count.sections', plan.sections.length),
  })
  const lines = [`${model.name}.`, `${amount}.`, words.say('spoken.how')]
  for (const page of pages) {
    if (page.kind === 'member') lines.push('', words.say('spoken.named', { name: page.name, text: memberWords(page, words) }))
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

function headLines({ letter, name, plan }: IndexedSection, index: PlanIndex): string[] {
  const from = plan.derivedFrom === undefined ? undefined : index.section(plan.derivedFrom)
  const { say } = index.words
  const unit = from ? [say('spoken.unit', { letter: from.letter })] : []
  const times = plan.times + plan.mirrored
  return [say('spoken.head', { letter, name }), ...unit, ...(times > 1 ? [say('spoken.times', { n: times })] : [])]
}

function trayLines(page: TrayPage, section: IndexedSection, index: PlanIndex): string[] {
  const { say, count } = index.words
  return [
    ...headLines(section, index),
    say('spoken.takes', { pieces: count('count.pieces', total(page.pieces)), steps: count('count.steps', page.steps) }),
    ...(page.bag === '' ? [] : [`${page.bag}.`]),
    ...page.remarks,
  ]
}

function stepLines(page: StepPage, section: IndexedSection, index: PlanIndex): string[] {
  const step = section.plan.steps[page.number - 1]!
  const signs = page.signs.filter(({ kind }) => kind !== 'caution').map(({ text }) => text)
  const said = [
    ...page.cautions.map((text) => index.words.say('caution.take', { text })),
    ...signs,
    ...(page.note === '' ? [] : [page.note]),
  ]
  // Where pictures are seen from helps nobody here.
  const spoken = page.seenFrom === '' ? page.spoken : page.spoken.replace(` ${page.seenFrom}.`, '')
  return [spoken, ...stepPlaces(index, section, step).map((line) => `- ${line}`), ...said]
}
