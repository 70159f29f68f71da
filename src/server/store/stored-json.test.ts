import { expect, it } from 'vitest'
import { getJson } from './stored-json'

const showing = (...texts: readonly (string | undefined)[]) => {
  let asked = 0
  return {
    get: () => {
      const text = texts[Math.min(asked++, texts.length - 1)]
      return Promise.resolve(text === undefined ? undefined : Buffer.from(text))
    },
    asked: () => asked,
  }
}

it('a record that is being written over is read again until it is whole', async () => {
  const store = showing('', '{"name":', '{"name":"Bird table"}')
  expect(await getJson(store, 'any')).toEqual({ name: 'Bird table' })
  expect(store.asked()).toBe(3)
})

it('what is not there is told at once, and what stays half is thrown', async () => {
  const nothing = showing(undefined)
  expect(await getJson(nothing, 'any')).toBeUndefined()
  expect(nothing.asked()).toBe(1)
  await expect(getJson(showing('{"half":'), 'any')).rejects.toThrow(SyntaxError)
})
