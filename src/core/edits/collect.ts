import { BASE_CATALOGUE, type Colour } from '../catalogue'
import { LIMITS, techniquesOf, TECHNIQUE_IDS, VERDICTS, type Copy, type ModelDocument, type TechniquePolicy, type Verdict } from '../model'
import { STUD_PITCH, type Box, type Vec } from '../space'
import { extentOfSection } from './extent'
import { renameIds, type RenamedIds } from './renamed-ids'

/** Room left around what stands side by side, studs. */
const BETWEEN = 4
/** A row goes on until it is so much wider than deep: pictures lie rather than stand. */
const WIDER = 1.6

/**
 * Several models as one: each is a section with all that is its own, and they stand side by side. They are copied: what is changed
 * in one of them later is not changed here. How booklets and bags of the single ones were to look is not taken over.
 *
 * @param models at least one
 * @throws RangeError where there is none
 */
export function collectModels(name: string, models: readonly ModelDocument[]): ModelDocument {
  if (models.length === 0) throw new RangeError('nothing to collect')
  const taken = new TakenIds()
  const members = models.map((model) => taken.apart(namedAfterModel(model)))
  const root = taken.free('sections', 'collection')
  const all = <Key extends 'palette' | 'shapes' | 'options' | 'variants' | 'figures' | 'decals'>(key: Key) => {
    const list = members.flatMap((member) => (member[key] ?? []) as readonly unknown[])
    return list.length === 0 ? {} : { [key]: key === 'palette' || key === 'shapes' ? once(list as readonly { id: string }[]) : list }
  }
  const kits = sameOnce(members.flatMap((member) => member.kits ?? [])).map((kit) => taken.withOwnId('kits', kit))
  const substitutes = sameOnce(members.flatMap((member) => member.substitutes ?? []))
  // Of the finished models: as many as a document can have.
  const photos = members.flatMap((member) => member.photos ?? []).slice(0, LIMITS.photos)
  const designers = [...new Set(models.flatMap(({ designer }) => designer || []))]
  const notes = models.filter((model) => model.notes).map((model) => `${model.name}: ${model.notes}`)
  return {
    format: 'jump-rail-model',
    version: 1,
    name,
    ...(designers.length > 0 ? { designer: designers.join(', ').slice(0, 200) } : {}),
    ...(notes.length > 0 ? { notes: notes.join('\n') } : {}),
    root,
    sections: [...members.flatMap(({ sections }) => sections), { id: root, name, apart: true, copies: sideBySide(members) }],
    ...all('palette'),
    ...all('shapes'),
    ...all('options'),
    ...all('variants'),
    ...all('figures'),
    ...all('decals'),
    ...(kits.length > 0 ? { kits } : {}),
    ...(substitutes.length > 0 ? { substitutes } : {}),
    ...(photos.length > 0 ? { photos } : {}),
    techniques: mostLenient(members),
  }
}

/** The root of a member bears the name of its model; a recolouring that was meant for all of it says of which sections now. */
function namedAfterModel(model: ModelDocument): ModelDocument {
  const everywhere = model.sections.map(({ id }) => id)
  return {
    ...model,
    sections: model.sections.map((section) => (section.id === model.root ? { ...section, name: model.name } : section)),
    ...(model.variants && {
      variants: model.variants.map((variant) => ({
        ...variant,
        ...(variant.recolour && {
          recolour: variant.recolour.flatMap((rule) =>
            rule.section === undefined ? everywhere.map((section) => ({ ...rule, section })) : [rule],
          ),
        }),
      })),
    }),
  }
}

/** In rows from the left to the right and from the front to the back, all on the same table. */
function sideBySide(members: readonly ModelDocument[]): Copy[] {
  const boxes = members.map((member) => onStuds(extentOfSection(member, member.root) ?? { min: [0, 0, 0], max: [0, 0, 0] }))
  const area = boxes.reduce((sum, { min, max }) => sum + (max[0] - min[0] + GAP) * (max[1] - min[1] + GAP), 0)
  const rowWidth = Math.sqrt(area * WIDER)
  let [x, y, depth] = [0, 0, 0]
  return members.map((member, i): Copy => {
    const { min, max } = boxes[i]!
    const width = max[0] - min[0]
    if (x > 0 && x + width > rowWidth) [x, y, depth] = [0, y + depth + GAP, 0]
    const at: Vec = [x - min[0], y - min[1], -min[2]]
    x += width + GAP
    depth = Math.max(depth, max[1] - min[1])
    return { id: `model-${i + 1}`, section: member.root, at }
  })
}

const GAP = BETWEEN * STUD_PITCH

/** The box, its sides on whole studs. */
function onStuds({ min, max }: Box): Box {
  const down = (value: number): number => Math.floor(value / STUD_PITCH) * STUD_PITCH
  const up = (value: number): number => Math.ceil(value / STUD_PITCH) * STUD_PITCH
  return { min: [down(min[0]), down(min[1]), Math.floor(min[2])], max: [up(max[0]), up(max[1]), Math.ceil(max[2])] }
}

/** What one of them lets pass must pass in the whole: else its parts would be held by nothing. */
function mostLenient(members: readonly ModelDocument[]): TechniquePolicy {
  const policies = members.map(techniquesOf)
  const verdicts = TECHNIQUE_IDS.map((id): [string, Verdict] => [
    id,
    VERDICTS.find((verdict) => policies.some((policy) => policy[id] === verdict))!,
  ])
  return Object.fromEntries(verdicts) as unknown as TechniquePolicy
}

const once = <Of extends { readonly id: string }>(list: readonly Of[]): Of[] => [...new Map(list.map((one) => [one.id, one])).values()]

/** What is the same to the last word is there once. */
const sameOnce = <Of>(list: readonly Of[]): Of[] => [...new Map(list.map((one) => [JSON.stringify(one), one])).values()]

/** Kits are named by nobody else, so they need no renaming in the rest of the document. */
type IdKind = keyof RenamedIds | 'kits'

/** The ids that are given away already, kind by kind. What is the same in two models keeps one id: a colour, a shape. */
class TakenIds {
  /** With what stands under each: only of shapes and colours, which can be shared. */
  private readonly taken: Record<IdKind, Map<string, string>>

  constructor() {
    const none = (): Map<string, string> => new Map()
    this.taken = {
      sections: none(),
      // What the catalogue has is there for all: one who means another thing by the same id has another id from now on.
      shapes: new Map([...BASE_CATALOGUE.shapes.keys()].map((id) => [id, ''])),
      colours: new Map([...BASE_CATALOGUE.colours].map(([id, colour]) => [id, colourContent(colour)])),
      options: none(),
      variants: none(),
      figures: none(),
      decals: none(),
      kits: none(),
    }
  }

  /** The document under ids that no other has. */
  apart(model: ModelDocument): ModelDocument {
    return renameIds(model, {
      sections: this.renamed('sections', model.sections),
      shapes: this.renamed('shapes', model.shapes, JSON.stringify),
      colours: this.renamed('colours', model.palette, colourContent),
      options: this.renamed('options', model.options),
      variants: this.renamed('variants', model.variants),
      figures: this.renamed('figures', model.figures),
      decals: this.renamed('decals', model.decals),
    })
  }

  /** The same under an id that none of its kind has. */
  withOwnId<Of extends { readonly id: string }>(kind: IdKind, one: Of): Of {
    const id = this.free(kind, one.id)
    this.taken[kind].set(id, '')
    return { ...one, id }
  }

  free(kind: IdKind, id: string): string {
    const taken = this.taken[kind]
    let free = id
    for (let i = 2; taken.has(free); i++) free = `${id.slice(0, 190)}-${i}`
    return free
  }

  private renamed<Of extends { readonly id: string }>(
    kind: IdKind,
    list: readonly Of[] = [],
    contentOf?: (one: Of) => string,
  ): Map<string, string> {
    const names = new Map<string, string>()
    for (const one of list) {
      const content = contentOf?.(one) ?? ''
      const isShared = content !== '' && this.taken[kind].get(one.id) === content
      const id = isShared ? one.id : this.free(kind, one.id)
      this.taken[kind].set(id, content)
      if (id !== one.id) names.set(one.id, id)
    }
    return names
  }
}

const colourContent = ({ name, hex, finish }: Colour): string => `${name} ${hex} ${finish}`
