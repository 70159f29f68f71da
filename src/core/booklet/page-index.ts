import { mirrorTray, tally, type PieceCount } from '../count'
import { alternativeLines } from '../figure'
import { stepCount } from '../plan'
import { cautionsOf } from './cautions'
import { coverFacts } from './cover-facts'
import { decalsOf } from './decal-sheet'
import { finishedPicture } from './finished-picture'
import { figuresPage } from './figures-page'
import { inventoryLists } from './inventory-lists'
import { likenessWords, type TimesBuilt } from './near-copies'
import { memberOf, membersOf } from './members'
import type {
  BookletSource,
  CoverPage,
  DecalPage,
  FiguresPage,
  InventoryPage,
  MemberPage,
  Page,
  PictureRef,
  StepPage,
  TrayPage,
} from './pages'
import { isSmallUnit, PlanIndex, type IndexedSection } from './plan-index'
import { stepPage } from './step-page'
import { coverOfVersions } from './versions'

/** Where a page stands: one of the whole, a section's tray (step −1), or one of its steps (from 0). */
type PagePlace =
  | { readonly page: () => CoverPage | DecalPage | FiguresPage | InventoryPage | MemberPage }
  | { readonly section: IndexedSection; readonly step: number }

/** Where the pages of a section begin: those of the model of a collection that it begins, then its tray, then its steps. */
interface Begun {
  readonly section: IndexedSection
  readonly at: number
  readonly firstStep: number
  /** The section of the model of a collection that begins here. */
  readonly member: string | undefined
}

/**
 * The pages of a booklet, each made when it is asked for: a booklet of thousands of steps is opened at the price of its sections.
 * Cover, decals to print if there are any, then for each section in building order its tray and its steps, then inventory and colours.
 */
export class PageIndex {
  readonly count: number
  private readonly index: PlanIndex
  /** Pages before the first section. */
  private readonly before: readonly (() => CoverPage | DecalPage | FiguresPage)[]
  /** For each section that is built, where its pages begin. */
  private readonly trays: Begun[] = []
  /** The page of the first step of each section that is built. */
  private readonly firstSteps = new Map<string, number>()
  private readonly made = new Map<number, Page>()
  /** The models of a collection, with the sections of each. */
  private readonly members: ReturnType<typeof membersOf>
  /** How often each section is built, by its id. */
  private readonly built: ReadonlyMap<string, TimesBuilt>

  constructor(readonly source: BookletSource) {
    this.index = new PlanIndex(source)
    const { model, plan } = source
    this.built = new Map(
      [...this.index.sections].map(({ letter, plan: { id, times, mirrored } }) => [id, { letter, times: times + mirrored }]),
    )
    const decals = model.booklet?.withoutDecals ? [] : decalsOf(model, plan.inventory)
    const figures = figuresPage(source, (id) => this.lastPicture(this.index.section(id)))
    this.before = [
      () => this.cover(),
      ...(decals.length > 0 ? [() => ({ kind: 'decals', decals }) as const] : []),
      ...(figures ? [() => figures] : []),
    ]
    let at = this.before.length
    // Of a model that is one section the tray says it all.
    this.members = membersOf(model)
    const open = new Map([...this.members].filter(([, sections]) => sections.size > 1))
    for (const section of this.index.sections) {
      if (section.plan.times + section.plan.mirrored === 0) continue
      const member = [...open].find(([, sections]) => sections.has(section.base.id))?.[0]
      if (member !== undefined) open.delete(member)
      const firstStep = at + (member === undefined ? 0 : 1) + (isSmallUnit(section) ? 0 : 1)
      this.trays.push({ section, at, firstStep, member })
      this.firstSteps.set(section.plan.id, firstStep)
      at = firstStep + section.plan.steps.length
    }
    this.count = at + 1
  }

  /** @throws RangeError where there is no such page */
  page(number: number): Page {
    const known = this.made.get(number)
    if (known) return known
    const page = this.make(this.place(number))
    this.made.set(number, page)
    return page
  }

  /** The page of a step (from 0); undefined where there is none. */
  stepPage(section: string, step: number): StepPage | undefined {
    const planned = this.index.section(section)
    if (!planned || step < 0 || step >= planned.plan.steps.length) return undefined
    const first = this.firstSteps.get(section)
    // A section that is never built has no pages in the booklet, but its rail is looked at all the same.
    return first === undefined ? stepPage(this.index, planned, planned.plan.steps[step]!) : (this.page(first + step) as StepPage)
  }

  all(): Page[] {
    return Array.from({ length: this.count }, (_, i) => this.page(i))
  }

  private place(number: number): PagePlace {
    if (!Number.isInteger(number) || number < 0 || number >= this.count) throw new RangeError(`no page ${number}`)
    const first = this.before[number]
    if (first) return { page: first }
    if (number === this.count - 1) return { page: () => this.inventory() }
    let [low, high] = [0, this.trays.length - 1]
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (this.trays[middle]!.at <= number) low = middle
      else high = middle - 1
    }
    const { section, at, firstStep, member } = this.trays[low]!
    if (member !== undefined && number === at) return { page: () => this.member(member) }
    return { section, step: number - firstStep }
  }

  private make(place: PagePlace): Page {
    if ('page' in place) return place.page()
    const { section, step } = place
    return step < 0 ? this.tray(section) : stepPage(this.index, section, section.plan.steps[step]!)
  }

  private cover(): CoverPage {
    const { model, plan } = this.source
    return {
      kind: 'cover',
      name: model.name,
      designer: model.designer ?? '',
      notes: model.notes ?? '',
      facts: {
        parts: plan.parts,
        pieces: plan.inventory.length,
        colours: plan.colours.length,
        steps: stepCount(plan.sections),
        sections: plan.sections.length,
      },
      cautions: cautionsOf(model, this.index.words),
      remarks: [...coverOfVersions(this.source), ...coverFacts(this.source), ...this.choicesToCome()],
      photos: model.photos ?? [],
      picture: this.lastPicture(this.index.section(model.root)),
    }
  }

  /** Builders hear of what they may choose before they gather pieces. */
  private choicesToCome(): string[] {
    const { model } = this.source
    return (model.figures ?? []).flatMap((figure) => {
      const { length } = alternativeLines([figure], this.index.catalogue)
      const letter = this.index.section(figure.section)?.letter
      if (length === 0 || letter === undefined) return []
      return [this.index.words.count('cover.choices', length, { name: figure.name, letter })]
    })
  }

  private inventory(): InventoryPage {
    const { plan } = this.source
    return {
      kind: 'inventory',
      parts: plan.parts,
      pieces: plan.inventory,
      colours: plan.colours,
      lists: inventoryLists(this.source),
    }
  }

  private member(id: string): MemberPage {
    const { model, plan } = this.source
    const { name, times, parts, pieces } = memberOf(model, id)
    const built = this.members.get(id)!
    const own = plan.sections.filter((section) => built.has(this.index.section(section.id)!.base.id))
    return {
      kind: 'member',
      member: id,
      name,
      times,
      parts,
      steps: stepCount(own),
      pieces,
      picture: this.lastPicture(this.index.section(id)),
    }
  }

  private tray(section: IndexedSection): TrayPage {
    const { id, times, mirrored, steps } = section.plan
    const pieces = tally(this.piecesOf(section))
    const mirror = mirrored > 0 ? mirrorTray(this.source.model, pieces) : []
    const isSame = JSON.stringify(mirror) === JSON.stringify(pieces)
    return {
      kind: 'tray',
      section: id,
      letter: section.letter,
      name: section.name,
      times,
      mirrored,
      steps: steps.length,
      pieces,
      mirroredPieces: isSame ? [] : mirror,
      bag: this.index.bag(id, 1),
      remarks: this.trayRemarks(id),
      picture: this.lastPicture(section),
    }
  }

  /** For building it once: its own, and those of the small units that go into it. */
  private piecesOf({ plan }: IndexedSection): PieceCount[] {
    return plan.steps.flatMap(({ callout, moves }) => [
      ...callout,
      ...moves.flatMap((move): PieceCount[] => {
        const unit = 'section' in move ? this.index.section(move.section) : undefined
        return unit && isSmallUnit(unit) ? this.piecesOf(unit) : []
      }),
    ])
  }

  private trayRemarks(id: string): string[] {
    const { model } = this.source
    const { words, catalogue } = this.index
    const figures = (model.figures ?? []).filter((figure) => figure.section === id)
    const instead = alternativeLines(figures, catalogue, words).map((line) => words.say('inventory.insteadLine', { line }))
    return [...likenessWords(model, id, this.built, words), ...instead]
  }

  private lastPicture(section: IndexedSection | undefined): PictureRef | null {
    return section ? finishedPicture(section) : null
  }
}

/** The whole booklet as data. */
export const makePages = (source: BookletSource): Page[] => new PageIndex(source).all()
