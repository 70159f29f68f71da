import { describe, expect, it } from 'vitest'
import { KeptAnswers } from './kept-answers'

describe('kept answers', () => {
  const counting = (): { asked: string[]; ask: (key: string) => () => Promise<string> } => {
    const asked: string[] = []
    const ask = (key: string) => (): Promise<string> => {
      asked.push(key)
      return Promise.resolve(`${key} ${asked.length}`)
    }
    return { asked, ask }
  }

  it('are asked for once', async () => {
    const kept = new KeptAnswers<string>(3)
    const { asked, ask } = counting()
    expect(await kept.of('a', ask('a'))).toBe('a 1')
    expect(await kept.of('a', ask('a'))).toBe('a 1')
    expect(asked).toEqual(['a'])
  })

  it('go when there are too many, the one asked for longest ago first', async () => {
    const kept = new KeptAnswers<string>(2)
    const { asked, ask } = counting()
    for (const key of ['a', 'b', 'a', 'c', 'a', 'b']) await kept.of(key, ask(key))
    expect(asked).toEqual(['a', 'b', 'c', 'b'])
  })

  it('are asked for again after a refusal', async () => {
    const kept = new KeptAnswers<string>(2)
    await expect(kept.of('a', () => Promise.reject(new Error('no')))).rejects.toThrow('no')
    expect(await kept.of('a', () => Promise.resolve('yes'))).toBe('yes')
  })

  it('are forgotten all at once', async () => {
    const kept = new KeptAnswers<string>(2)
    const { asked, ask } = counting()
    await kept.of('a', ask('a'))
    kept.clear()
    await kept.of('a', ask('a'))
    expect(asked).toEqual(['a', 'a'])
  })
})
