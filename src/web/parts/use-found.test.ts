import { effectScope, nextTick, ref } from 'vue'
import { expect, test } from 'vitest'
import { Fault } from '@core/fault'
import { useFound } from './use-found'

/** A search whose answers come when the test says so. */
function searching() {
  const basis = ref(1)
  const asked: { answer: (what: string) => void; fail: (why: unknown) => void }[] = []
  let stops = 0
  const scope = effectScope()
  const state = scope.run(() =>
    useFound<string>({
      basis: [basis],
      find: () => new Promise((answer, fail) => asked.push({ answer, fail })),
      stop: () => (stops += 1),
    }),
  )!
  return { basis, asked, stops: () => stops, ...state }
}

const settled = async (): Promise<void> => {
  await nextTick()
  await new Promise((done) => setTimeout(done))
}

test('what was found is shown until what it rests on changes', async () => {
  const { basis, asked, found, isLooking, look } = searching()
  void look()
  expect(isLooking.value).toBe(true)
  asked[0]!.answer('one')
  await settled()
  expect([found.value, isLooking.value]).toEqual(['one', false])
  basis.value = 2
  await settled()
  expect([found.value, isLooking.value, asked.length]).toEqual([null, false, 1])
})

test('a search under way begins anew where what it rests on changes, and the old answer is not shown', async () => {
  const { basis, asked, stops, found, problem, isLooking, look } = searching()
  void look()
  basis.value = 2
  await settled()
  expect([asked.length, stops()]).toEqual([2, 1])
  asked[0]!.fail(new Fault('stopped', 'This was stopped.'))
  await settled()
  expect([found.value, problem.value, isLooking.value]).toEqual([null, '', true])
  asked[1]!.answer('two')
  await settled()
  expect([found.value, isLooking.value]).toEqual(['two', false])
})

test('a fault is told in its own words, being stopped is not', async () => {
  const { asked, problem, look } = searching()
  void look()
  asked[0]!.fail(new Fault('worker-died', 'It ended.'))
  await settled()
  expect(problem.value).toContain('It ended.')
  void look()
  expect(problem.value).toBe('')
  asked[1]!.fail(new Fault('stopped', 'This was stopped.'))
  await settled()
  expect(problem.value).toBe('')
})
