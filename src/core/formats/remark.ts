import { ADVICE_IN_ENGLISH, type Said } from '../language'

/** Something that a person should know of what was read. */
export interface Remark {
  /** Where in the file: "row 3, column colour", "line 7", a node's name. */
  readonly place: string
  /** What stands there. */
  readonly said: string
  /** What was made of it, as a sentence. */
  readonly made: string
  /** Somebody must look at it: it was not understood. */
  readonly needsPerson: boolean
  /** Place and sentence as data, for whoever reads another language than English; a place that is a name is none. */
  readonly told: { readonly place?: Said; readonly made: Said }
}

/** What a remark is made of. */
interface Remarked extends Pick<Remark, 'said' | 'needsPerson'> {
  readonly place: Said | string
  readonly made: Said
}

export const remarkOf = ({ place, said, made, needsPerson }: Remarked): Remark => ({
  place: typeof place === 'string' ? place : ADVICE_IN_ENGLISH.say(place),
  said,
  made: ADVICE_IN_ENGLISH.say(made),
  needsPerson,
  told: { ...(typeof place === 'string' ? {} : { place }), made },
})
