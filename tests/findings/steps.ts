import { oneSection, part } from '../support/models'
import type { Specimen } from './corpus'

/** Steps that were given. */

const three = [part('a', 'plate-2x2', [0, 0, 0]), part('b', 'brick-2x2', [0, 0, 4]), part('c', 'plate-2x2', [0, 0, 16])]
const loose = { id: 'l', shape: 'brick-2x2', colour: 'slate', count: 2 }

export const steps: readonly Specimen[] = [
  { name: 'all parts in given steps', model: oneSection(three, [{ add: ['a'] }, { add: ['b'] }, { add: ['c'] }]), codes: [] },
  { name: 'a part that no step brings', model: oneSection(three, [{ add: ['a'] }, { add: ['b'] }]), codes: ['step-missing'] },
  { name: 'a part that two steps bring', model: oneSection(three, [{ add: ['a', 'b'] }, { add: ['b', 'c'] }]), codes: ['step-twice'] },
  { name: 'a part under what is there', model: oneSection(three, [{ add: ['a', 'c'] }, { add: ['b'] }]), codes: ['blocked', 'unheld'] },
  { name: 'loose parts alone', model: oneSection([loose], [{ add: ['l'] }]), codes: ['loose'] },
]
