/** What the end of an address asks for beside a place: "#proof", "#key=abc&proof". */
interface AskedByLink {
  /** The booklet is to be built with a clock, for its designer. */
  readonly isTimed: boolean
  /** The password that whoever gave the link away has put into it; no server sees the end of an address. */
  readonly key?: string
}

export function askedByLink(hash: string): AskedByLink {
  const asked = new URLSearchParams(hash.slice(1))
  const key = asked.get('key')
  return { isTimed: asked.has('proof'), ...(key ? { key } : {}) }
}
