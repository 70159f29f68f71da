import { total, type ColourCount, type PieceCount } from '../count'
import { ENGLISH, type Language, type Words } from '../language'
import type { Photo } from '../model'
import type { StepInset } from '../picture'
import type { Bundle } from './bundle'
import type { Vec } from '../space'
import type { DecalCount } from './decal-sheet'
import type { StepSign } from './step-notes'
import type { VersionDocument } from './version-name'

/** What of a plan a booklet is made from: a published bundle, or the open model with its plan. */
export type BookletSource = Pick<Bundle, 'model' | 'plan' | 'views' | 'insets' | 'bags' | 'shows'> & {
  /** The versions beside this one: what is built otherwise is told by their documents. */
  readonly versions?: readonly VersionDocument[]
  /** In which it speaks; English where nothing is said. Another is loaded before. */
  readonly language?: Language
}

/** What a picture shows: the section as it is after the step, or the step with what is new and its marks. */
export type PictureContent = 'finished' | 'step'

/** Which picture stands on a page: a section after a step (from 0), seen from a view. */
export interface PictureRef {
  readonly section: string
  readonly step: number
  readonly view: number
  /** The one thing of the step that the picture is about, and where it travels to. */
  readonly focus?: { readonly id: string; readonly travel: Vec }
  /** What the view does not show, or not plainly enough, and the side from which a small picture shows it. */
  readonly insets?: readonly StepInset[]
}

/** A finished section that is joined: what, how often in this step, and whether as its mirror image. */
export interface Join {
  readonly label: string
  readonly name: string
  readonly mirrored: boolean
  readonly count: number
  /** Nothing holds it: it stands by itself beside the others. */
  readonly standsApart: boolean
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
  /** Of which figures some pieces may be others, and where these are told: a line each. */
  readonly remarks: readonly string[]
  /** Photos of the finished model. */
  readonly photos: readonly Photo[]
  readonly picture: PictureRef | null
}

/** Where a model of a collection begins. */
export interface MemberPage {
  readonly kind: 'member'
  /** The section that it is. */
  readonly member: string
  readonly name: string
  /** How often it stands in the collection. */
  readonly times: number
  readonly parts: number
  readonly steps: number
  readonly pieces: readonly PieceCount[]
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
  /** Which bag is opened for it: "Open bag 3"; empty where none begins. */
  readonly bag: string
  /** Which sections are nearly this one; what builders may take instead, where it is a figure: a line each. */
  readonly remarks: readonly string[]
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
  /** Which bag is opened for it: "Open bag 3"; empty where none begins. */
  readonly bag: string
  /** Locked by the designer. */
  readonly locked: boolean
  readonly note: string
  readonly caution: string
  /** The designer's further notes, each with what it is for: "Try it now: it should swing"; those that warn of what can hurt with them. */
  readonly signs: readonly StepSign[]
  /** All that can hurt: the caution, and the notes of that kind. */
  readonly cautions: readonly string[]
  /** Photos of the designer's, with what is drawn on them. */
  readonly photos: readonly Photo[]
  readonly picture: PictureRef | null
  /** What to do with the work before this step, in words: "Turn the work upside down"; else empty. */
  readonly turn: string
  /** How the work lies in this step, as a turn in text. */
  readonly lies: string
  /** The view that the designer chose; nothing where the program chooses. */
  readonly chosenView?: number
  /** In words, where the viewer stands when that is not the usual side: "Seen from behind, on the left"; else empty. */
  readonly seenFrom: string
  /** In words, where the viewer stands in the next step when that is another side; else empty. */
  readonly ahead: string
  /** The same as a sign: path data in a square of 24 units; else empty. */
  readonly aheadSign: string
  /** How far what is joined can move on its joints, and what is otherwise than in a section like this one: a sentence each. */
  readonly remarks: readonly string[]
  readonly spoken: string
}

/** Lines under a title on the last page. */
export interface InventoryList {
  readonly title: string
  readonly lines: readonly string[]
}

export interface InventoryPage {
  readonly kind: 'inventory'
  readonly parts: number
  readonly pieces: readonly PieceCount[]
  readonly colours: readonly ColourCount[]
  /** What is said of them beside their counts. */
  readonly lists: readonly InventoryList[]
}

/** The decals to print and cut out, at true size. */
export interface DecalPage {
  readonly kind: 'decals'
  readonly decals: readonly DecalCount[]
}

/** All figures of a model beside each other. */
export interface FiguresPage {
  readonly kind: 'figures'
  readonly figures: readonly {
    readonly name: string
    readonly pieces: readonly PieceCount[]
    /** What may stand in for a piece: a line each. */
    readonly instead: readonly string[]
    readonly picture: PictureRef | null
  }[]
}

export type Page = CoverPage | MemberPage | TrayPage | StepPage | InventoryPage | DecalPage | FiguresPage

/** Whether the picture of a page shows something finished, not a step. */
export const showsFinished = ({ kind }: Page): boolean => kind === 'cover' || kind === 'member' || kind === 'tray'

/** How much a model of a collection takes, in words. */
export const memberWords = ({ parts, pieces, steps, times }: MemberPage, { say, count }: Words = ENGLISH): string =>
  say(times > 1 ? 'page.memberTimes' : 'page.member', {
    parts: count('count.parts', parts),
    pieces: count('count.differentPieces', pieces.length),
    steps: count('count.steps', steps),
    n: times,
  })

/** What stands under the name of a section: how much of it there is, how often it is built, which bag is opened for it. */
export function trayWords({ pieces, steps, times, mirrored, bag }: TrayPage, { count, say }: Words = ENGLISH): string {
  const words = [
    count('count.pieces', total(pieces)),
    count('count.steps', steps),
    ...(times > 1 ? [say('tray.built', { n: times })] : []),
    ...(mirrored > 0 ? [count('tray.mirrored', mirrored)] : []),
  ]
  return `${words.join(', ')}${bag === '' ? '' : `. ${bag}`}`
}

/** What stands over a page. */
export function pageTitle(page: Page, { say }: Words = ENGLISH): string {
  switch (page.kind) {
    case 'cover':
    case 'member':
      return page.name
    case 'tray':
      return `${page.letter} ${page.name}`
    case 'inventory':
      return say('page.inventory')
    case 'decals':
      return say('page.decals')
    case 'figures':
      return say('page.figures')
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
