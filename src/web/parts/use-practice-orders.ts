import { shallowRef } from 'vue'
import type { PracticeDelivery, Purchase } from '@core/desk'
import { plainFault } from '@core/fault'
import { faultText, say } from '../language'
import { useBooks } from '../stores/books'
import { notify } from '../shared/notices'
import { practiceOrder } from './practice-counter'

interface Delivered {
  readonly delivery: PracticeDelivery
  /** Of the supplier. */
  readonly name: string
  readonly isIn: boolean
}

/** Orders at the practice counter, and what came of them. @param tell what went wrong, in words */
export function usePracticeOrders(tell: (problem: string) => void) {
  const store = useBooks()
  const deliveries = shallowRef<readonly Delivered[]>([])

  async function order({ supplier, lines, kits }: Purchase['orders'][number], name: string): Promise<void> {
    const { practice } = store.books
    if (!practice) return
    try {
      const plain = lines.map(({ price: _price, ...piece }) => piece)
      const made = kits.map(({ id, count }) => ({ id, count }))
      const delivery = await practiceOrder({ supplier, lines: plain, kits: made }, practice)
      deliveries.value = [{ delivery, name, isIn: false }, ...deliveries.value.filter((each) => each.delivery.orderId !== delivery.orderId)]
    } catch (thrown) {
      tell(faultText(plainFault(thrown)))
    }
  }

  async function putIntoStock(orderId: string): Promise<void> {
    const arrived = deliveries.value.find(({ delivery, isIn }) => delivery.orderId === orderId && !isIn)
    if (!arrived) return
    const mark = (isIn: boolean): void => {
      deliveries.value = deliveries.value.map((each) => (each.delivery.orderId === orderId ? { ...each, isIn } : each))
    }
    const before = store.books
    mark(true)
    await store.change(arrived.delivery.delivered, say('parts.orderAt3', { orderId, name: arrived.name }), arrived.delivery.kits)
    if (store.problem !== '') return mark(false)
    const undo = (): void => void store.replace(before).then(() => mark(false))
    notify(say('parts.itIsInYourStock'), { act: { label: say('common.undo'), run: undo } })
  }

  return { deliveries, order, putIntoStock }
}
