import { sectionMasses } from '../count'
import { ADVICE_IN_ENGLISH, type Advice } from '../language'
import { clashSaid, documentOfVersion, optionClashes, type ModelDocument, type ModelVariant } from '../model'
import { needOf } from './need'
import { piecesIn } from './piece'

/** One version of a model, for a table of them. */
export interface VersionFacts {
  /** Id of the variant; empty for the model as its options say. */
  readonly id: string
  readonly name: string
  readonly pieces: number
  readonly kinds: number
  readonly colours: number
  /** g, about. */
  readonly mass: number
  /** What is in, in words. */
  readonly has: string
  /** What is in that another rules out, or lacks what it needs, in words; empty where all goes together. */
  readonly clash: string
}

/** The model as its options say, then each of its variants. */
export function versionsOf(model: ModelDocument, advice = ADVICE_IN_ENGLISH): VersionFacts[] {
  const plain = { id: '', name: advice.say({ key: 'desk.asOptionsSay' }) }
  return [plain, ...(model.variants ?? [])].map((version) => factsOf(model, version, advice))
}

function factsOf(model: ModelDocument, { id, name }: Pick<ModelVariant, 'id' | 'name'>, { words, say }: Advice): VersionFacts {
  const document = documentOfVersion(model, id === '' ? {} : { variant: id })
  const need = needOf(document)
  return {
    id,
    name,
    pieces: piecesIn(need),
    kinds: need.length,
    colours: new Set(need.map(({ colour }) => colour)).size,
    mass: Math.round(sectionMasses(document).get(document.root)!.grams),
    has: words.list((document.options ?? []).filter((option) => option.on === true).map((option) => option.name)),
    clash: optionClashes(document)
      .map((clash) => say(clashSaid(clash)))
      .join(' '),
  }
}
