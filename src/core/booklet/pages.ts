import type { ColourCount, PieceCount } from '../count'
import { mirrorTray, tally, total } from '../count'
import type { Bundle } from '../formats'
import { alternativeLines } from '../figure'
import { catalogueOf, jointReach, sectionById, type GivenStep } from '../model'
import type { Vec } from '../space'
import type { Move, PlanStep, SectionPlan } from '../plan'
import { cautionsOf } from './cautions'
import { decalsOf, type DecalCount } from './decal-sheet'
import { reachWords } from './reach-words'
import { turnWords } from './turn-words'

/** What of a plan a booklet is made from: a published bundle, or the open model with its plan. */
export type BookletSource = Pick<Bundle, 'model' | 'plan' | 'views' | 'insets'>

/** Which picture stands on a page: a section after a step (from 0), seen from a view. */
export interface PictureRef {
  readonly section: string
  readonly step: number
  readonly view: number
  /** The one thing of the step that the picture is about, and where it travels to. */
  readonly focus?: { readonly id: string; readonly travel: Vec }
  /** What the view does not show, and the side from which an inset shows it. */
  readonly inset?: { readonly view: number; readonly things: readonly string[] }
}

/** A finished section that is joined: what, how often in this step, and whether as its mirror image. */
export interface Join {
  readonly label: string
  readonly name: string
  readonly mirrored: boolean
  readonly count: number
}

export interface CoverPage {
  readonly kind: 'cover'
  readonly name: string
  readonly designer: string
  readonly notes: string
  readonly facts: {
    readonly parts: number
    readonly pieces: number
    readonly colours: number
    readonly steps: number
    readonly sections: number
  }
  readonly cautions: readonly string[]
  readonly picture: PictureRef | null
}

export interface TrayPage {
  readonly kind: 'tray'
  readonly section: string
  readonly letter: string
  readonly name: string
  readonly times: number
  readonly mirrored: number
  readonly steps: number
  /** For building the section once, as it stands. */
  readonly pieces: readonly PieceCount[]
  /** For its mirror image, when that is built too and takes other pieces. */
  readonly mirroredPieces: readonly PieceCount[]
  readonly picture: PictureRef | null
}

export interface StepPage {
  /** A jump joins finished sections; a step adds pieces. */
  readonly kind: 'step' | 'jump'
  readonly section: string
  readonly letter: string
  readonly name: string
  readonly number: number
  readonly of: number
  /** "B 07". */
  readonly label: string
  readonly callout: readonly PieceCount[]
  readonly joins: readonly Join[]
  readonly rests: readonly string[]
  /** Locked by the designer. */
  readonly locked: boolean
  readonly note: string
  readonly caution: string
  readonly picture: PictureRef | null
  /** What to do with the work before this step, in words: "Turn the work upside down"; else empty. */
  readonly turn: string
  /** In words, where the viewer stands when that is not the usual side: "Seen from behind, on the left"; else empty. */
  readonly seenFrom: string
  /** How far what is joined can move on its joints, a sentence each. */
  readonly reaches: readonly string[]
  readonly spoken: string
}

export interface InventoryPage {
  readonly kind: 'inventory'
  readonly parts: number
  readonly pieces: readonly PieceCount[]
  readonly colours: readonly ColourCount[]
  /** What builders may take instead, for the figures of the model: a line each. */
  readonly alternatives: readonly string[]
}

/** The decals to print and cut out, at true size. */
export interface DecalPage {
  readonly kind: 'decals'
  readonly decals: readonly DecalCount[]
}

export type Page = CoverPage | TrayPage | StepPage | InventoryPage | DecalPage

/** What stands over a page. */
export function pageTitle(page: Page): string {
  switch (page.kind) {
    case 'cover':
      return page.name
    case 'tray':
      return `${page.letter} ${page.name}`
    case 'inventory':
      return 'All pieces'
    case 'decals':
      return 'Decals to print'
    default:
      return page.label
  }
}

/** Sections are called A, B … Z, AA … in building order. */
export function sectionLetter(index: number): string {
  const last = String.fromCharCode(65 + (index % 26))
  return index < 26 ? last : sectionLetter(Math.floor(index / 26) - 1) + last
}

export const stepLabel = (letter: string, number: number): string => `${letter} ${String(number).padStart(2, '0')}`

/** The booklet as data: cover, decals to print if there are any, then for each section in building order its tray and its steps, then inventory and colours. */
export function makePages(source: BookletSource): Page[] {
  const { model, plan } = source
  const letters = new Map(plan.sections.map((section, i) => [section.id, sectionLetter(i)]))
  const root = plan.sections.findIndex((section) => section.id === model.root)
  const pages: Page[] = [
    {
      kind: 'cover',
      name: model.name,
      designer: model.designer ?? '',
      notes: model.notes ?? '',
      facts: {
        parts: plan.parts,
        pieces: plan.inventory.length,
        colours: plan.colours.length,
        steps: plan.sections.reduce((sum, section) => sum + section.steps.length, 0),
        sections: plan.sections.length,
      },
      cautions: cautionsOf(model),
      picture: lastPicture(source, root),
    },
  ]
  const decals = decalsOf(model, plan.inventory)
  if (decals.length > 0) pages.push({ kind: 'decals', decals })
  plan.sections.forEach((section, i) => {
    if (section.times + section.mirrored === 0) return
    pages.push(trayPage(source, section, i, letters.get(section.id)!))
    section.steps.forEach((step) => pages.push(stepPage(source, section, i, step, letters)))
  })
  const alternatives = alternativeLines(model.figures ?? [], catalogueOf(model))
  pages.push({ kind: 'inventory', parts: plan.parts, pieces: plan.inventory, colours: plan.colours, alternatives })
  return pages
}

function lastPicture(source: BookletSource, index: number): PictureRef | null {
  const section = source.plan.sections[index]
  if (!section || section.steps.length === 0 || !isDrawn(source, section)) return null
  return { section: section.id, step: section.steps.length - 1, view: 0 }
}

/** A section whose moves bring nothing with a place has no picture. */
function isDrawn(source: BookletSource, section: SectionPlan): boolean {
  const base = baseSection(source, section)
  const placed = new Set((sectionById(source.model, base.id).parts ?? []).filter((part) => part.at !== undefined).map((part) => part.id))
  return section.steps.some((step) => step.moves.some((move) => !('parts' in move) || move.parts.some((id) => placed.has(id))))
}

function baseSection(source: BookletSource, section: SectionPlan): SectionPlan {
  let at = section
  while (at.derivedFrom !== undefined) at = source.plan.sections.find((s) => s.id === at.derivedFrom)!
  return at
}

function trayPage(source: BookletSource, section: SectionPlan, index: number, letter: string): TrayPage {
  const pieces = tally(section.steps.flatMap((step) => step.callout))
  const mirrored = section.mirrored > 0 ? mirrorTray(source.model, pieces) : []
  const isSame = JSON.stringify(mirrored) === JSON.stringify(pieces)
  return {
    kind: 'tray',
    section: section.id,
    letter,
    name: section.name,
    times: section.times,
    mirrored: section.mirrored,
    steps: section.steps.length,
    pieces,
    mirroredPieces: isSame ? [] : mirrored,
    picture: lastPicture(source, index),
  }
}

function stepPage(
  source: BookletSource,
  section: SectionPlan,
  index: number,
  step: PlanStep,
  letters: ReadonlyMap<string, string>,
): StepPage {
  const letter = letters.get(section.id)!
  const given = givenStep(source, section, step)
  const joins = joinsOf(source, section, step, letters)
  const label = stepLabel(letter, step.number)
  const view = source.views[index]?.[step.number - 1] ?? 0
  const inset = source.insets?.find((shown) => shown.section === section.id && shown.step === step.number)
  const seenFrom = isDrawn(source, section)
    ? [seenFromWords(view), inset ? insetWords(inset.view) : ''].filter((text) => text !== '').join('. ')
    : ''
  const turn = turnWords(step.turn) || (step.moves.some((move) => move.direction === '+z') ? lifted(section, step) : '')
  const reaches = reachesOf(source, section, step)
  return {
    kind: joins.length > 0 ? 'jump' : 'step',
    section: section.id,
    letter,
    name: section.name,
    number: step.number,
    of: section.steps.length,
    label,
    callout: step.callout,
    joins,
    rests: step.rests,
    locked: given?.locked === true,
    note: given?.note ?? '',
    caution: given?.caution ?? '',
    picture: isDrawn(source, section)
      ? { section: section.id, step: step.number - 1, view, ...(inset ? { inset: { view: inset.view, things: inset.things } } : {}) }
      : null,
    turn,
    seenFrom,
    reaches,
    spoken: [spokenStep(label, step, joins, turn), seenFrom === '' ? '' : `${seenFrom}.`, ...reaches]
      .filter((text) => text !== '')
      .join(' '),
  }
}

const SIDES = ['', 'from behind, on the right', 'from behind, on the left', 'from the front, on the left'] as const

const insetWords = (view: number): string =>
  `The small picture is ${(seenFromWords(view) || 'Seen from the front, on the right').replace(/^S/, 's')}`

/** Where the viewer of a view stands, in words; empty for the usual place: in front, on the right, looking down. */
export function seenFromWords(view: number): string {
  const side = SIDES[view & 3]!
  if (view < 4) return side === '' ? '' : `Seen ${side}`
  return side === '' ? 'Seen from below' : `Seen from below, ${side}`
}

function givenStep(source: BookletSource, section: SectionPlan, step: PlanStep): GivenStep | undefined {
  if (section.derivedFrom !== undefined) return undefined
  const { steps, planRest } = sectionById(source.model, section.id)
  return planRest === true ? steps?.find((given) => isLockOf(given, step)) : steps?.[step.number - 1]
}

/** Whether a planned step is the locked one: a locked step is never drawn together with anything else. */
export function isLockOf(given: GivenStep, step: PlanStep): boolean {
  const first = given.add?.[0] ?? given.join?.[0]
  const brings = step.moves.some((move) => ('parts' in move ? move.parts.includes(first ?? '') : 'copy' in move && move.copy === first))
  return given.locked === true && brings
}

function joinsOf(source: BookletSource, section: SectionPlan, step: PlanStep, letters: ReadonlyMap<string, string>): Join[] {
  const joins = new Map<string, { label: string; name: string; mirrored: boolean; count: number }>()
  for (const move of step.moves) {
    const joined = joinedSection(source, section, move)
    if (!joined) continue
    const key = `${joined.id}${joined.mirrored ? ' mirrored' : ''}`
    const known = joins.get(key)
    if (known) known.count++
    else {
      const name = source.plan.sections.find((s) => s.id === joined.id)?.name ?? joined.id
      joins.set(key, { label: letters.get(joined.id) ?? '', name, mirrored: joined.mirrored, count: 1 })
    }
  }
  return [...joins.values()]
}

function reachesOf(source: BookletSource, section: SectionPlan, step: PlanStep): string[] {
  const base = sectionById(source.model, baseSection(source, section).id)
  return step.moves.flatMap((move) => {
    const copy = 'copy' in move ? base.copies?.find((candidate) => candidate.id === move.copy) : undefined
    const words = copy?.joint ? reachWords(jointReach(source.model, base, copy, catalogueOf(source.model))) : ''
    return words === '' ? [] : [`${sectionById(source.model, copy!.section).name}: ${words}.`]
  })
}

/** Which section a move joins, if any. */
export function joinedSection(source: BookletSource, section: SectionPlan, move: Move): { id: string; mirrored: boolean } | undefined {
  if ('section' in move) return { id: move.section, mirrored: false }
  if (!('copy' in move)) return undefined
  const base = baseSection(source, section)
  const copy = sectionById(source.model, base.id).copies?.find((candidate) => candidate.id === move.copy)
  return copy && { id: copy.section, mirrored: copy.mirror !== undefined }
}

const WAYS: Readonly<Record<string, string>> = {
  '-z': 'from above',
  '+z': 'from below',
  '+y': 'from the front',
  '-y': 'from behind',
  '+x': 'from the left',
  '-x': 'from the right',
}

const wayWords = ({ direction, press }: Move): string =>
  `${WAYS[String(direction)] ?? 'along its joint'}${press === undefined ? '' : ', lifted a little, and press it home'}`

/** What comes from below needs the work lifted, unless it lies upside down already. */
function lifted(section: SectionPlan, step: PlanStep): string {
  const turns = section.steps.slice(0, step.number).flatMap(({ turn }) => (turn === undefined ? [] : [turn]))
  const lie = turns[turns.length - 1]
  return lie === undefined || turnWords(lie) === turnWords('+x+y') ? 'Lift the work to reach it from below' : ''
}

/** A step in words, for ears and for those who print without pictures. */
function spokenStep(label: string, step: PlanStep, joins: readonly Join[], turn: string): string {
  const pieces = total(step.callout)
  const ways = [...new Set(step.moves.map(wayWords))]
  const sentences = [`Step ${label}.`]
  if (turn !== '') sentences.push(`${turn}.`)
  if (pieces > 0) sentences.push(`Add ${pieces === 1 ? 'one piece' : `${pieces} pieces`} ${joinWords(ways)}.`)
  for (const join of joins) {
    const what = `${join.count > 1 ? `${join.count} times section` : 'section'} ${join.label}, ${join.name}`
    sentences.push(`Join ${what}${join.mirrored ? ', mirrored' : ''}.`)
  }
  if (step.rests.length > 0) sentences.push('Some parts lie loose on the table until the next steps hold them.')
  return sentences.join(' ')
}

const joinWords = (words: readonly string[]): string => words.join(', ').replace(/, ([^,]*)$/, ' and $1')
