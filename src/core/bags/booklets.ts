import { timesOf, type WorkSection } from './work'

/**
 * Shares sections out to booklets that are built at the same time: each but the last holds sections with all that they join, and
 * nothing of another; the last holds the rest and joins it. Groups that share nothing are dealt out largest first, each to who has
 * least (Graham 1969, "Bounds on multiprocessing timing anomalies"); a group larger than a booklet's share is opened first.
 *
 * @returns ids of the sections of each booklet, in building order
 */
export function shareOut(sections: ReadonlyMap<string, WorkSection>, root: string, booklets: number): string[][] {
  const order = [...sections.keys()]
  if (booklets === 1) return [order]
  const sizeOf = (id: string): number => {
    const { size, plan } = sections.get(id)!
    return size * timesOf(plan)
  }
  const share = order.reduce((sum, id) => sum + sizeOf(id), 0) / booklets
  const closures = new Map<string, ReadonlySet<string>>()
  for (const id of order) {
    const closure = new Set([id])
    for (const joined of sections.get(id)!.joins.keys()) for (const each of closures.get(joined) ?? []) closure.add(each)
    closures.set(id, closure)
  }
  // From the root down: heads are opened until no group is larger than its share, or nothing is left to open.
  const last = new Set([root])
  let heads = headsOf(root, sections)
  for (;;) {
    const groups = groupsOf(heads, closures)
    const tooLarge = groups.find(
      (group) => sumOf(group.sections, sizeOf) > share && group.heads.some((head) => sections.get(head)!.joins.size > 0),
    )
    if (!tooLarge) return deal(groups, { last, order, booklets, sizeOf })
    const opened = tooLarge.heads
      .filter((head) => sections.get(head)!.joins.size > 0)
      .sort((a, b) => closures.get(b)!.size - closures.get(a)!.size)[0]!
    last.add(opened)
    heads = [...heads.filter((head) => head !== opened), ...headsOf(opened, sections)].filter(
      (head, i, all) => all.indexOf(head) === i && !last.has(head),
    )
  }
}

const headsOf = (id: string, sections: ReadonlyMap<string, WorkSection>): string[] =>
  [...(sections.get(id)?.joins.keys() ?? [])].filter((joined) => sections.has(joined))

const sumOf = (ids: Iterable<string>, sizeOf: (id: string) => number): number => [...ids].reduce((sum, id) => sum + sizeOf(id), 0)

interface SharedGroup {
  readonly heads: readonly string[]
  readonly sections: ReadonlySet<string>
}

/** Heads whose sections overlap belong together. */
function groupsOf(heads: readonly string[], closures: ReadonlyMap<string, ReadonlySet<string>>): SharedGroup[] {
  const groups: { heads: string[]; sections: Set<string> }[] = []
  for (const head of heads) {
    const closure = closures.get(head)!
    const met = groups.filter((group) => [...closure].some((id) => group.sections.has(id)))
    const group = {
      heads: [head, ...met.flatMap((each) => each.heads)],
      sections: new Set([...closure, ...met.flatMap((each) => [...each.sections])]),
    }
    for (const each of met) groups.splice(groups.indexOf(each), 1)
    groups.push(group)
  }
  return groups
}

interface Dealing {
  /** What stays in the last booklet. */
  readonly last: ReadonlySet<string>
  readonly order: readonly string[]
  readonly booklets: number
  readonly sizeOf: (id: string) => number
}

function deal(groups: readonly SharedGroup[], { last, order, booklets, sizeOf }: Dealing): string[][] {
  const shares = Array.from({ length: booklets }, () => ({ size: 0, sections: new Set<string>() }))
  const end = shares[booklets - 1]!
  // What a group holds is built there, whoever else was opened to reach it.
  const dealt = new Set(groups.flatMap((group) => [...group.sections]))
  for (const id of order) if (!dealt.has(id)) end.sections.add(id)
  end.size = sumOf(
    [...last].filter((id) => !dealt.has(id)),
    sizeOf,
  )
  const bySize = [...groups].sort((a, b) => sumOf(b.sections, sizeOf) - sumOf(a.sections, sizeOf))
  for (const group of bySize) {
    const least = shares.reduce((best, each) => (each.size < best.size ? each : best))
    for (const id of group.sections) least.sections.add(id)
    least.size += sumOf(group.sections, sizeOf)
  }
  return shares.map(({ sections }) => order.filter((id) => sections.has(id)))
}
