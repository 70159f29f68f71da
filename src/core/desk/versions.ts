import { sectionMasses } from '../count'
import { documentOfVersion, optionClashes, type ModelDocument, type VersionChoice } from '../model'
import { listInWords } from '../words'
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
export function versionsOf(model: ModelDocument): VersionFacts[] {
  const plain = factsOf(model, {}, '', 'As the options say')
  return [plain, ...(model.variants ?? []).map(({ id, name }) => factsOf(model, { variant: id }, id, name))]
}

function factsOf(model: ModelDocument, choice: VersionChoice, id: string, name: string): VersionFacts {
  const document = documentOfVersion(model, choice)
  const need = needOf(document)
  const clashes = optionClashes(document)
  return {
    id,
    name,
    pieces: piecesIn(need),
    kinds: need.length,
    colours: new Set(need.map(({ colour }) => colour)).size,
    mass: Math.round(sectionMasses(document).get(document.root)!.grams),
    has: listInWords((document.options ?? []).filter((option) => option.on === true).map((option) => option.name)),
    clash: clashes.length === 0 ? '' : `${clashes.join('. ')}.`,
  }
}
