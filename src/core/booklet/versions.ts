import { wordsIn, type Words } from '../language'
import { memo } from '../memo'
import { asBuilt, copiesOf, documentOfVersion, partsOf, sectionsById, type ModelDocument, type Section, type VersionChoice } from '../model'
import type { PlanStep } from '../plan'
import type { BookletSource } from './pages'
import type { VersionDocument, VersionName } from './version-name'

/** The name in a bundle of the model as its options say; what builders read is in their language. */
const AS_DESIGNED = 'As designed'

/**
 * The version that is shown, and those that stand in the booklet beside it: the model as its options say, and each variant
 * that its designer put in. Nothing where no variant is put in.
 * @throws Fault as `documentOfVersion` does
 */
export function versionsBeside(model: ModelDocument, choice: VersionChoice): Pick<BookletSource, 'shows' | 'versions'> {
  const all: readonly (VersionName & { readonly choice: VersionChoice })[] = [
    { id: '', name: AS_DESIGNED, choice: {} },
    ...(model.variants ?? [])
      .filter(({ inBooklet }) => inBooklet)
      .map((variant) => ({ ...named(variant), choice: { variant: variant.id } })),
  ]
  if (all.length === 1) return {}
  const isPlain = (choice.with ?? []).length + (choice.without ?? []).length === 0
  const variant = model.variants?.find(({ id }) => id === choice.variant)
  const shown = variant ? named(variant) : { id: '', name: AS_DESIGNED }
  const shows = isPlain ? shown : { ...shown, name: `${shown.name}, with other options` }
  const beside = all.filter(({ id }) => id !== shown.id)
  return { shows, versions: beside.map(({ choice: of, ...version }) => ({ ...version, model: asBuilt(documentOfVersion(model, of)) })) }
}

const named = ({ id, name, note }: VersionName): VersionName => ({ id, name, ...(note === undefined || note === '' ? {} : { note }) })

/** In a booklet of several versions, which of them a step belongs to, where it is not so in all: "Built so in “Night” only."; else empty. */
export function versionWords(source: BookletSource, base: Section, step: PlanStep): string {
  const { shows, versions = [] } = source
  if (!shows || versions.length === 0) return ''
  const own = contentOf(source.model).get(base.id)
  const brought = step.moves.flatMap((move) => ('parts' in move ? move.parts : 'copy' in move ? [move.copy] : []))
  const isLike = ({ model }: VersionDocument): boolean => {
    const other = contentOf(model).get(base.id)
    return brought.every((id) => other?.get(id) === own?.get(id))
  }
  const like = versions.filter(isLike)
  if (like.length === versions.length) return ''
  const words = wordsIn(source.language)
  return words.say('version.only', { names: words.list([shows, ...like].map((version) => versionTitle(version, words))) })
}

/** What each thing of each section is, by the id of the section and its own. */
const contentOf = memo(
  (model: ModelDocument): ReadonlyMap<string, ReadonlyMap<string, string>> =>
    new Map([...sectionsById(model)].map(([id, section]) => [id, sectionContent(section)])),
)
const sectionContent = memo(
  (section: Section): ReadonlyMap<string, string> =>
    new Map([
      ...partsOf(section).map(({ id, shape, colour }) => [id, `${shape}\n${colour}`] as const),
      ...copiesOf(section).map(({ id, section: of }) => [id, of] as const),
    ]),
)

/** A version's name; the designer's own model has none of its own. */
export const versionName = ({ id, name }: VersionName, { say }: Words): string =>
  id === '' && name === AS_DESIGNED ? say('version.plain') : name
const versionTitle = (version: VersionName, words: Words): string => words.quote(versionName(version, words))

/** What a cover says of the versions in its booklet, and of the one whose steps follow. */
export function coverOfVersions({ shows, versions = [], language }: BookletSource): string[] {
  if (!shows || versions.length === 0) return []
  const words = wordsIn(language)
  const title = (version: VersionName): string => versionTitle(version, words)
  const names = words.list([shows, ...versions].map(title))
  return [words.say('cover.versions', { count: versions.length + 1, names, name: title(shows) })]
}
