import { afterEach, describe, expect, it } from 'vitest'
import { refusal, startServer, stopAll } from '../support/start'

afterEach(stopAll)

interface ShownQuestion {
  questionId: string
  text: string
  state: string
  answer?: string
}

async function withQuestions() {
  const client = await startServer()
  const { id, ownerToken: owner } = await client.publish()
  const url = `/api/booklets/${id}/questions`
  const put = async (body: object) => (await client.ask('POST', url, { body })).json<{ questionId: string; token: string }>()
  const list = async (token?: string) => {
    const answer = await client.ask('GET', url, token === undefined ? {} : { token })
    return answer.json<{ questions: ShownQuestion[] }>().questions
  }
  return { ...client, id, owner, url, put, list }
}

describe('questions', () => {
  it('are private at first: the owner sees all, the asker his own, others none', async () => {
    const { owner, put, list } = await withQuestions()
    const full = {
      kind: 'mistake',
      section: 'table',
      step: 3,
      part: 'leg/a',
      text: 'This one is turned.',
      minutes: 12.5,
      name: 'Ada',
      link: 'https://example.org/a',
    }
    const mine = await put(full)
    const other = await put({ kind: 'built-it', text: 'Done!' })
    expect(await list()).toEqual([])
    expect(await list(mine.token)).toMatchObject([{ ...full, questionId: mine.questionId, state: 'private' }])
    expect((await list(owner)).map(({ questionId }) => questionId).sort()).toEqual([mine.questionId, other.questionId].sort())
    expect(JSON.stringify(await list(owner))).not.toContain('asker')
  })

  it('are shown to all once the owner says so, with the answer', async () => {
    const { ask, owner, put, list, url } = await withQuestions()
    const [a, b, c] = [
      await put({ kind: 'question', text: 'A?' }),
      await put({ kind: 'question', text: 'B?' }),
      await put({ kind: 'question', text: 'C?' }),
    ]
    const answered = await ask('POST', `${url}/${a.questionId}/answer`, { token: owner, body: { text: 'So.' } })
    expect(answered.json<ShownQuestion>()).toMatchObject({ questionId: a.questionId, answer: 'So.', state: 'private' })
    expect(await list()).toEqual([])
    for (const [{ questionId }, state] of [
      [a, 'public'],
      [b, 'solved'],
      [c, 'hidden'],
    ] as const)
      expect((await ask('PATCH', `${url}/${questionId}`, { token: owner, body: { state } })).statusCode).toBe(200)
    expect((await list()).map(({ text, answer }) => [text, answer])).toEqual([
      ['A?', 'So.'],
      ['B?', undefined],
    ])
    expect((await list(c.token)).map(({ text }) => text)).toEqual(['A?', 'B?', 'C?'])
  })

  it('are changed by the owner alone, and taken away by owner or asker', async () => {
    const { ask, owner, put, list, url } = await withQuestions()
    const mine = await put({ kind: 'question', text: 'A?' })
    const other = await put({ kind: 'question', text: 'B?' })
    const at = `${url}/${mine.questionId}`
    for (const [method, path, body] of [
      ['PATCH', at, { state: 'public' }],
      ['POST', `${at}/answer`, { text: 'x' }],
    ] as const) {
      expect(refusal(await ask(method, path, { body }))).toEqual([401, 'token-needed'])
      expect(refusal(await ask(method, path, { body, token: mine.token }))).toEqual([403, 'not-owner'])
    }
    expect(refusal(await ask('DELETE', at))).toEqual([401, 'token-needed'])
    expect(refusal(await ask('DELETE', at, { token: other.token }))).toEqual([403, 'not-owner'])
    expect((await ask('DELETE', at, { token: mine.token })).statusCode).toBe(204)
    expect(refusal(await ask('DELETE', at, { token: owner }))).toEqual([404, 'no-question'])
    expect((await ask('DELETE', `${url}/${other.questionId}`, { token: owner })).statusCode).toBe(204)
    expect(await list(owner)).toEqual([])
    expect(refusal(await ask('GET', url, { token: 'nobodys' }))).toEqual([403, 'not-owner'])
  })

  it('are asked only by who may read, and only where the owner takes them', async () => {
    const { ask, owner, id, url } = await withQuestions()
    const body = { kind: 'question', text: 'A?' }
    await ask('PATCH', `/api/booklets/${id}`, { token: owner, body: { questions: 'closed' } })
    expect(refusal(await ask('POST', url, { body }))).toEqual([403, 'questions-closed'])
    await ask('PATCH', `/api/booklets/${id}`, { token: owner, body: { questions: null, password: 'p' } })
    expect(refusal(await ask('POST', url, { body }))).toEqual([401, 'password-needed'])
    expect(refusal(await ask('GET', url))).toEqual([401, 'password-needed'])
    expect((await ask('POST', url, { body, password: 'p' })).statusCode).toBe(201)
  })

  it.each([
    [{ kind: 'question' }, 'missing-key', 'text'],
    [{ kind: 'question', text: '' }, 'bad-value', 'text'],
    [{ kind: 'question', text: ' \n' }, 'bad-value', 'text'],
    [{ kind: 'praise', text: 'x' }, 'bad-value', 'kind'],
    [{ kind: 'question', text: 'x'.repeat(4001) }, 'too-long', 'text'],
    [{ kind: 'question', text: 'x', name: 'y'.repeat(81) }, 'too-long', 'name'],
    [{ kind: 'question', text: 'x', link: 'javascript:alert(1)' }, 'bad-value', 'link'],
    [{ kind: 'question', text: 'x', step: 1.5 }, 'bad-value', 'step'],
    [{ kind: 'question', text: 'x', minutes: -1 }, 'bad-value', 'minutes'],
    [{ kind: 'question', text: 'x', state: 'public' }, 'unknown-key', 'state'],
    [[], 'bad-value', undefined],
  ])('refuse %j', async (body, code, place) => {
    const { ask, url, list, owner } = await withQuestions()
    const answer = await ask('POST', url, { body })
    expect(refusal(answer)).toEqual([400, code])
    expect(answer.json<{ place?: string }>().place).toBe(place)
    expect(await list(owner)).toEqual([])
  })
})
