import { isSameList } from '../model'
import type { BuiltSection } from './built'
import { GivenSpaces } from './given'

interface CacheEntry {
  /** What the sections rest on; their objects are never changed in place, so being the same means being equal. */
  readonly content: readonly unknown[]
  /** How they were asked for; nothing where a kept order was followed. */
  readonly how: readonly unknown[]
  readonly built: readonly BuiltSection[]
}

/** Remembers built sections by their content, so that an edit plans again only what it touches. */
export class PlanCache {
  private readonly known = new Map<string, CacheEntry>()
  readonly spaces = new GivenSpaces()

  /** @param fits of a kept order: whether it is the one remembered */
  recall(id: string, content: readonly unknown[], how: readonly unknown[], fits?: (built: readonly BuiltSection[]) => boolean) {
    const entry = this.known.get(id)
    if (!entry || !isSameList(entry.content, content)) return undefined
    return (fits ? fits(entry.built) : isSameList(entry.how, how)) ? entry.built : undefined
  }

  keep(id: string, entry: CacheEntry): void {
    this.known.set(id, entry)
  }

  /**
   * What became of the built sections of one section of the document after they were looked at: from now on that is recalled.
   * @param isGiven whether its steps are the designer's
   */
  settle(id: string, built: readonly BuiltSection[], isGiven: boolean): void {
    const entry = this.known.get(id)
    if (entry) this.known.set(id, { ...entry, built })
    if (!isGiven) this.spaces.keepPlanned(built[built.length - 1]!)
  }
}
