import { expect, it } from 'vitest'
import { oneSection, part } from '../../../tests/support/models'
import type { Finding } from '../checks'
import { ADVICE_IN_ENGLISH } from '../language'
import type { ModelDocument } from '../model'
import { readinessOf } from './readiness'

const { say } = ADVICE_IN_ENGLISH
const bare = oneSection([part('a', 'brick-2x2', [0, 0, 0])])
const finding = (severity: Finding['severity']): Finding => ({ severity }) as Finding
const open = (model: ModelDocument, findings: readonly Finding[], proofs: number): Record<string, string> =>
  Object.fromEntries(readinessOf(model, { findings, proofs }).flatMap(({ id, isDone, said }) => (isDone ? [] : [[id, say(said)]])))

it('tells what is left to do before a booklet is published', () => {
  const [section] = bare.sections
  const photo = { file: 'roof.jpg', alt: 'The roof' }
  const draft = {
    ...bare,
    designer: ' ',
    sections: [{ ...section!, name: section!.id, steps: [{ add: ['a'], photos: [photo] }] }],
    photos: [photo],
  }
  expect(open(draft, [finding('error'), finding('warning'), finding('warning'), finding('note')], 0)).toEqual({
    errors: '1 error stands: builders would get stuck.',
    warnings: '2 warnings stand.',
    proof: 'Nobody has built it from these steps yet.',
    names: 'It does not say who designed it.',
    sections: '1 section has no name of its own.',
    photos: '2 photos are missing: the booklet would show a gap.',
  })
})

it('says what is done, too', () => {
  const done = { ...bare, designer: 'Ada Stone', sections: bare.sections.map((section) => ({ ...section, name: 'House' })) }
  const items = readinessOf(done, { findings: [finding('note')], proofs: 2 })
  expect(items.every(({ isDone }) => isDone)).toBe(true)
  expect(items.map(({ said }) => say(said))).toContain('It was built 2 times from these steps.')
})
