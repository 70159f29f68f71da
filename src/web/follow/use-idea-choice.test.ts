// @vitest-environment happy-dom
import { beforeEach, expect, it, vi } from 'vitest'
import { choiceText } from '@core/booklet'
import { Fault } from '@core/fault'
import { askQuestion, removeQuestion } from '../published/server-client'
import { useIdeaChoice } from './use-idea-choice'

vi.mock('../published/server-client', () => ({ askQuestion: vi.fn(), removeQuestion: vi.fn() }))
const [ask, remove] = [vi.mocked(askQuestion), vi.mocked(removeQuestion)]
let number = 0
beforeEach(() => {
  localStorage.clear()
  ask.mockReset().mockImplementation(() => Promise.resolve({ questionId: `q${++number}`, token: 't' }))
  remove.mockReset().mockResolvedValue(undefined)
})

it('one voice a device: the one before is taken back, and the same is not sent twice', async () => {
  const voice = useIdeaChoice('b', undefined)
  expect(await voice.choose('Mill')).toBe('')
  expect(await voice.choose('Mill')).toBe('')
  expect(ask).toHaveBeenCalledOnce()
  expect(await voice.choose('Boat')).toBe('')
  expect(remove).toHaveBeenCalledExactlyOnceWith('b', 't', `q${number - 1}`)
  expect(useIdeaChoice('b', undefined).chosen.value).toBe('Boat')
})

it('a voice that was taken back and could not be given anew is given when it is asked for again', async () => {
  const voice = useIdeaChoice('b', undefined)
  await voice.choose('Mill')
  ask.mockRejectedValueOnce(new Fault('no-server', 'There is no network.'))
  expect(await voice.choose('Boat')).toContain('There is no network.')
  expect(voice.chosen.value).toBe('')
  expect(await voice.choose('Mill')).toBe('')
  expect(ask).toHaveBeenLastCalledWith('b', { kind: 'question', text: choiceText('Mill') }, undefined)
  expect(ask).toHaveBeenCalledTimes(3)
})

it('a voice that the designer has taken away is no trouble', async () => {
  const voice = useIdeaChoice('b', undefined)
  await voice.choose('Mill')
  remove.mockRejectedValueOnce(new Fault('not-found', 'It is gone.'))
  expect(await voice.choose('Boat')).toBe('')
})
