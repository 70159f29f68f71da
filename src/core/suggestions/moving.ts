import { HOLD } from '../catalogue'
import type { Joints } from '../joints'

/** Parts that nothing moves against each other: held by studs, or by several pegs. Each group lists nodes in order. */
function rigidGroups(count: number, joints: Joints): number[][] {
  const leader = Array.from({ length: count }, (_, i) => i)
  const find = (node: number): number => {
    let at = node
    while (leader[at] !== at) at = leader[at] = leader[leader[at]!]!
    return at
  }
  const pegs = new Map<string, number>()
  for (const { a, b, hold } of joints.list) {
    if (hold === HOLD.stud) leader[find(a)] = find(b)
  }
  // Two pegs side by side do not turn; two hinges may share their axis, and do.
  for (const { a, b, hold, studs } of joints.list) {
    if (hold !== HOLD.hole && hold !== HOLD.cross) continue
    const [one, other] = [find(a), find(b)].sort((x, y) => x - y)
    const key = `${one} ${other}`
    pegs.set(key, (pegs.get(key) ?? 0) + studs)
  }
  for (const [key, studs] of pegs) {
    const [one, other] = key.split(' ').map(Number)
    if (studs > 1) leader[find(one!)] = find(other!)
  }
  const groups = new Map<number, number[]>()
  for (let node = 0; node < count; node++) {
    const group = groups.get(find(node))
    if (group) group.push(node)
    else groups.set(find(node), [node])
  }
  return [...groups.values()]
}

/** Groups that hang on others by what turns or slides; the largest of those that hang together stands still. */
export function movingGroups(count: number, joints: Joints, least: number): number[][] {
  const groups = rigidGroups(count, joints)
  const groupOf = new Int32Array(count)
  groups.forEach((group, i) => group.forEach((node) => (groupOf[node] = i)))
  const beside = groups.map(() => new Set<number>())
  for (const { a, b } of joints.list) {
    if (groupOf[a] === groupOf[b]) continue
    beside[groupOf[a]!]!.add(groupOf[b]!)
    beside[groupOf[b]!]!.add(groupOf[a]!)
  }
  const seen = new Set<number>()
  return groups.flatMap((_, start) => {
    if (seen.has(start)) return []
    const hanging = [start]
    seen.add(start)
    for (const at of hanging) {
      for (const other of beside[at]!) {
        if (seen.has(other)) continue
        seen.add(other)
        hanging.push(other)
      }
    }
    const base = hanging.reduce((largest, at) => (groups[at]!.length > groups[largest]!.length ? at : largest))
    return hanging.filter((at) => at !== base && groups[at]!.length >= least).map((at) => groups[at]!)
  })
}
