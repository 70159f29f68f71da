import { memo } from '../memo'
import type { Colour, ConnectorKind, OwnShape } from '../catalogue'
import type { Language } from '../language'
import type { MirrorAxis, Vec } from '../space'
import type { ToldTechniques } from './techniques'

/** The document as the file holds it (DESIGN.md section 3). All values are read-only: an edit makes a new one. */
export interface ModelDocument {
  readonly format: 'jump-rail-model'
  readonly version: 1
  readonly name: string
  readonly designer?: string
  readonly notes?: string
  readonly root: string
  readonly sections: readonly Section[]
  readonly palette?: readonly Colour[]
  readonly shapes?: readonly OwnShape[]
  readonly options?: readonly ModelOption[]
  readonly variants?: readonly ModelVariant[]
  readonly figures?: readonly FigureRecipe[]
  readonly decals?: readonly Decal[]
  /** What is made of techniques that strain a piece; as usual where nothing is said. */
  readonly techniques?: ToldTechniques
  /** The booklet says what builders need beside one, two … of these. */
  readonly kits?: readonly NamedKit[]
  /** The booklet says what may stand in for pieces that somebody lacks. */
  readonly substitutes?: readonly NamedSubstitute[]
  /** The booklet says where a bag begins: how many pieces are in one at most, and how many people build at the same time. */
  readonly bags?: AskedBags
  /** How the booklet is put on its sheets, and what it says beside the steps. */
  readonly booklet?: BookletWishes
  /** Of the finished model. */
  readonly photos?: readonly Photo[]
}

/** Sizes of a booklet's sheets: standing ones, a square, one for a wall, one for a hand. */
export const PAPERS = ['a4', 'a5', 'letter', 'square', 'slide', 'phone'] as const
export type Paper = (typeof PAPERS)[number]

/** How much stays free around a sheet. */
export const MARGIN_WIDTHS = ['narrow', 'usual', 'wide'] as const
export type MarginWidth = (typeof MARGIN_WIDTHS)[number]

/** How steps stand on a sheet: as their pictures need it, below each other, or two beside each other. */
export const STEP_COLUMNS = ['fitting', 'one', 'two'] as const
export type StepColumns = (typeof STEP_COLUMNS)[number]

/** Where pieces are listed: for each section, for each step, or both. */
export const TRAY_PLACES = ['both', 'sections', 'steps'] as const
export type TrayPlace = (typeof TRAY_PLACES)[number]

/** What builders should have done before they begin. */
export const DIFFICULTIES = ['first', 'some', 'much'] as const
export type Difficulty = (typeof DIFFICULTIES)[number]

/** How a booklet is put on its sheets; as usual where nothing is said. */
export interface AskedLayout {
  readonly paper?: Paper
  readonly margins?: MarginWidth
  readonly columns?: StepColumns
  /** Most steps on a sheet; as many as fit where nothing is said. */
  readonly stepsOnSheet?: number
  readonly trays?: TrayPlace
  /** A list of the sections with their sheets. */
  readonly contents?: boolean
  /** A label for the box, on a sheet of its own. */
  readonly label?: boolean
  /** The figures on a page of their own, each with what may stand in for its pieces. */
  readonly figures?: boolean
  /** The decals are not printed with the booklet. */
  readonly withoutDecals?: boolean
  /** The first photo of the model stands on the cover beside its picture, as large: what it was built after. */
  readonly reference?: boolean
}

export interface BookletWishes extends AskedLayout {
  /** How many build it together, where it is meant for several. */
  readonly people?: number
  readonly difficulty?: Difficulty
  /** In which it speaks to builders; English where nothing is said. */
  readonly language?: Language
  /** What was put right since it was first published, a line each. */
  readonly errata?: string
  readonly credits?: string
  readonly terms?: string
  /** What may be made next, a line each: builders choose. */
  readonly ideas?: string
}

/** Something that a builder may leave out or take in. */
interface ModelOption {
  readonly id: string
  readonly name: string
  readonly note?: string
  /** Whether it is in where nobody says anything. */
  readonly on?: boolean
  /** Options that must be in with it, and such that must not. */
  readonly needs?: readonly string[]
  readonly rulesOut?: readonly string[]
}

/** A version of the model that has a name. */
export interface ModelVariant {
  readonly id: string
  readonly name: string
  readonly note?: string
  /** Its steps stand in the booklet beside those of the others, and builders choose. */
  readonly inBooklet?: boolean
  readonly with?: readonly string[]
  readonly without?: readonly string[]
  /** All at once; of several that fit a part the first is taken. */
  readonly recolour?: readonly { readonly from: string; readonly to: string; readonly section?: string }[]
}

/** Of a part or copy that is there only in some versions; where both are said, both must hold. */
interface Optional {
  /** It is there when this option is in. */
  readonly option?: string
  /** It is there when this option is not in. */
  readonly unless?: string
}

interface NamedKit {
  readonly id: string
  readonly name: string
  readonly pieces: readonly KitPiece[]
}

interface KitPiece {
  readonly shape: string
  readonly colour: string
  readonly count: number
  /** Of what is cut from a roll: mm. */
  readonly lengthMm?: number
}

/** What builders may take where a piece is missing. */
export interface NamedSubstitute {
  readonly for: KitPiece
  readonly use: readonly KitPiece[]
  readonly consequence: string
}

/** Where the designer has a bag begin: at a step (from 1) of a section, the so manieth time (from 1) that section is built. */
export interface BagBegin {
  readonly section: string
  readonly step: number
  readonly time: number
}

/** What a bag costs the builder, in pieces. */
export interface BagWeights {
  /** One more bag. */
  readonly bag: number
  /** A section that goes on in the next bag. */
  readonly split: number
  /** A pair of kinds in one bag that are taken for each other. */
  readonly lookAlike: number
  /** A piece more or less than the bags have in the mean, squared over that mean. */
  readonly uneven: number
}

interface AskedBags {
  readonly pieces: number
  readonly booklets?: number
  /** What counts how much; the usual where one is missing. */
  readonly weights?: Partial<BagWeights>
  /** Where each bag begins, where the designer has moved steps between them; what is not there any more counts for nothing. */
  readonly begins?: readonly BagBegin[]
}

export interface Section {
  readonly id: string
  readonly name: string
  readonly parts?: readonly Part[]
  readonly copies?: readonly Copy[]
  readonly steps?: readonly GivenStep[]
  /** Of the given steps only the locked ones are kept; the program plans the rest around them. */
  readonly planRest?: boolean
  /** What stands in it stands side by side, each by itself on the table: nothing has to hold it. */
  readonly apart?: boolean
  readonly places?: readonly Place[]
  /** What it must weigh with all that it joins, g. */
  readonly mass?: AskedMass
}

export interface AskedMass {
  readonly atLeast?: number
  readonly atMost?: number
  /** How much it may pull at most on the axle that it hangs on, g·mm: 0 for what must balance. */
  readonly moment?: number
}

/** Something that must stay within reach: the room above a part. */
export interface Place {
  readonly name: string
  readonly part: string
}

export const WORK_KINDS = ['cut', 'paint', 'print', 'decal', 'glue', 'erase', 'custom'] as const
export type WorkKind = (typeof WORK_KINDS)[number]

/** The flat sides of a piece, in its own frame: its front faces −y, its left −x; `slope` is the largest that leans. */
export const FACE_NAMES = ['front', 'back', 'left', 'right', 'top', 'bottom', 'slope'] as const
export type FaceName = (typeof FACE_NAMES)[number]

export interface PieceWork {
  readonly kind: WorkKind
  readonly note?: string
  /** Of a decal or print: the id of its picture, and the face of the piece it lies on. */
  readonly decal?: string
  readonly face?: FaceName
  /** Its middle, to the right and up from the middle of the face, mm. */
  readonly at?: readonly [number, number]
  /** Degrees anticlockwise. */
  readonly turn?: 0 | 90 | 180 | 270
}

/** A picture that is put on pieces. */
export interface Decal {
  readonly id: string
  readonly name: string
  /** A PNG as a data address. */
  readonly picture: string
  /** Width and height as it is printed, mm. */
  readonly size: readonly [number, number]
}

export interface Part extends Optional {
  readonly id: string
  readonly shape: string
  readonly colour: string
  /** Lowest corner of the body box after turning, u. Missing: a loose part. */
  readonly at?: Vec
  readonly turn?: string
  /** Of a loose part: how many. */
  readonly count?: number
  /** Of what is cut from a roll (tube, cord, band): how long, mm. */
  readonly length?: number
  readonly work?: readonly PieceWork[]
  readonly showsColour?: boolean
}

export interface Copy extends Optional {
  readonly id: string
  readonly section: string
  /** Where the section's origin goes, u. Missing where a joint says it. */
  readonly at?: Vec
  readonly turn?: string
  readonly rotate?: Vec
  readonly mirror?: MirrorAxis
  readonly joint?: CopyJoint
  /** What is otherwise in this copy, by the part's id within the section; through copies `copy/part`. */
  readonly except?: Readonly<Record<string, CopyException>>
}

/** A part that has another colour or another shape in one copy, or is not there. */
export type CopyException = { readonly colour: string } | { readonly shape: string } | null

/** One piece that may fill a slot of a figure. */
export interface FigureOption {
  readonly shape: string
  readonly colour: string
  /** How close it comes to what is meant: 1 (far) to 5 (the very piece). */
  readonly closeness?: number
  readonly note?: string
  /** What is done to it: a face that is printed on, a decal. */
  readonly work?: readonly PieceWork[]
  /** What it is taken from. */
  readonly donor?: string
  /** In the currency of the figure. */
  readonly price?: number
}

/** A figure by its slots; the sections it is made into stand in the model beside it. */
export interface FigureRecipe {
  readonly id: string
  readonly name: string
  /** The section it is made into. */
  readonly section: string
  /** By slot: which option is published, and all of them. */
  readonly slots: { readonly [slot in FigureSlot]?: { readonly chosen?: number; readonly options: readonly FigureOption[] } }
  /** Of the prices: "EUR". */
  readonly currency?: string
  /** Degrees. */
  readonly pose?: { readonly [limb in FigureLimb]?: number }
}

/** What of a figure moves, in the order it is told. */
export const FIGURE_LIMBS = ['head', 'armLeft', 'armRight', 'handLeft', 'handRight', 'legLeft', 'legRight'] as const
export type FigureLimb = (typeof FIGURE_LIMBS)[number]

/** The places of a figure that a piece can fill. Left and right are the figure's own. */
export const FIGURE_SLOTS = [
  'legs',
  'legLeft',
  'legRight',
  'torso',
  'armLeft',
  'armRight',
  'handLeft',
  'handRight',
  'head',
  'headwear',
  'neck',
  'back',
  'heldLeft',
  'heldRight',
] as const
export type FigureSlot = (typeof FIGURE_SLOTS)[number]

/** One end of a joint: the connector of a part, told by its kind and, where there are several, which of them (from 1). */
export interface JointEnd {
  readonly part: string
  readonly kind: ConnectorKind
  readonly number?: number
}

/** A copy that hangs on a moving joint stands where the joint puts it. */
export interface CopyJoint {
  /** A part of the section that holds the copy. */
  readonly on: JointEnd
  /** A part of the section that is copied. */
  readonly by: JointEnd
  /** Degrees about the joint's axis; of a ball about the way its cup faces and the two across. */
  readonly angles?: readonly number[]
  /** How far along a bar, axle or hose, u. */
  readonly slide?: number
}

/**
 * What a note is for: to be read; to mind; what must stand so first; what to try now; what to do when that does not work; what to
 * turn alike; what to set aside; what to hold while pressing.
 */
export const STEP_NOTE_KINDS = ['note', 'caution', 'align', 'try', 'tune', 'same-way', 'aside', 'hold'] as const
export type StepNoteKind = (typeof STEP_NOTE_KINDS)[number]

export interface StepNote {
  readonly kind: StepNoteKind
  readonly text: string
  /** Parts of the section that it is about. */
  readonly parts?: readonly string[]
}

export const PHOTO_MARK_KINDS = ['arrow', 'ring', 'text'] as const

/** Something drawn on a photo; places run from 0 to 1, from its left and its top. */
export interface PhotoMark {
  readonly kind: (typeof PHOTO_MARK_KINDS)[number]
  readonly at: readonly [number, number]
  /** Of an arrow: its point; of a ring: a place on it. */
  readonly to?: readonly [number, number]
  readonly text?: string
}

export interface Photo {
  /** A JPEG, PNG or WebP as a data address, or the name of a file beside the model in a backup. */
  readonly file: string
  /** What is on it, for those who cannot see it. */
  readonly alt: string
  readonly marks?: readonly PhotoMark[]
}

export interface GivenStep {
  readonly add?: readonly string[]
  readonly join?: readonly string[]
  readonly turn?: string
  readonly note?: string
  readonly caution?: string
  readonly photo?: string
  readonly notes?: readonly StepNote[]
  readonly photos?: readonly Photo[]
  /** The corner view it is seen from: 0 to 3 from above, turning anticlockwise, 4 to 7 the same from below. The program's choice where it is missing. */
  readonly view?: number
  /** Stays as it is, whatever else is changed or planned. */
  readonly locked?: boolean
}

export const partsOf = (section: Section): readonly Part[] => section.parts ?? []
export const copiesOf = (section: Section): readonly Copy[] => section.copies ?? []
export const isLoose = (part: Part): boolean => part.at === undefined
/** How many pieces a part stands for: one, or the count of a loose part. */
export const pieceCount = (part: Part): number => (isLoose(part) ? (part.count ?? 1) : 1)

/** The sections of a document by id; lists of sections are never changed in place, so each is indexed once. */
export const sectionsById = ({ sections }: Pick<ModelDocument, 'sections'>): ReadonlyMap<string, Section> => indexed(sections)

const indexed = memo(
  (sections: readonly Section[]): ReadonlyMap<string, Section> => new Map(sections.map((section) => [section.id, section])),
)

export function sectionById(model: ModelDocument, id: string): Section {
  const section = sectionsById(model).get(id)
  if (!section) throw new RangeError(`no section ${id}`)
  return section
}
