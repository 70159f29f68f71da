import { ENGLISH, type Words } from '../language'
import { MARK } from './derived-sections'

/** What a derived section is called. @param name of what it is made of */
export const derivedName = (name: string, base: string, id: string, { say }: Words = ENGLISH): string =>
  say('section.unit', { name, n: id.slice(base.length + MARK.length) })
