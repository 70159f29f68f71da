// @vitest-environment happy-dom
import { afterEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { commandIn, useListening, type SpokenCommand } from './use-listening'

describe('a spoken command', () => {
  it.each([
    ['Next.', 'next'],
    ['next step please', 'next'],
    ['OK, go on', 'next'],
    ['Back', 'back'],
    ['previous step', 'back'],
    ['say that again', 'again'],
    ['Repeat!', 'again'],
  ])('%s', (said, command) => expect(commandIn(said)).toBe(command))

  it.each([
    ['Bitte weiter', 'de', 'next'],
    ['noch einmal', 'de', 'again'],
    ['Étape suivante, s’il te plaît', 'fr', 'next'],
    ['en arrière', 'fr', 'back'],
    ['¡Otra vez!', 'es', 'again'],
    ['atrás', 'es', 'back'],
    ['next', 'de', undefined],
  ] as const)('%s, in %s', (said, language, command) => expect(commandIn(said, language)).toBe(command))

  it.each(['next to the chimney', 'hand me the next one', 'put it back on', '', 'ничего', 'is it again that brick'])(
    'is not heard in %s',
    (said) => expect(commandIn(said)).toBeUndefined(),
  )
})

class FakeRecognition {
  static last: FakeRecognition
  onresult: ((event: unknown) => void) | null = null
  onend: (() => void) | null = null
  onerror: ((event: { error: string }) => void) | null = null
  start = vi.fn()
  abort = vi.fn(() => this.onend?.())
  constructor() {
    FakeRecognition.last = this
  }
  say(...texts: string[]): void {
    this.onresult?.({ resultIndex: 0, results: texts.map((transcript) => [{ transcript }]) })
  }
}

describe('listening', () => {
  afterEach(() => vi.unstubAllGlobals())
  const listen = () => {
    const heard: SpokenCommand[] = []
    const scope = effectScope()
    const listening = scope.run(() => useListening((command) => heard.push(command)))!
    return { heard, listening }
  }

  it('is not offered where the browser cannot', () => expect(listen().listening.isThere).toBe(false))

  it('obeys until it is switched off, begins again when the browser ends it, and is deaf while the page speaks', () => {
    vi.stubGlobal('webkitSpeechRecognition', FakeRecognition)
    const { heard, listening } = listen()
    listening.toggle()
    const { last } = FakeRecognition
    last.say('next', 'what a nice bird table')
    last.onend?.()
    expect(last.start).toHaveBeenCalledTimes(2)
    vi.stubGlobal('speechSynthesis', { speaking: true })
    last.say('next')
    vi.stubGlobal('speechSynthesis', { speaking: false })
    last.say('back')
    expect(heard).toEqual(['next', 'back'])
    listening.toggle()
    expect(last.abort).toHaveBeenCalled()
    expect(last.start).toHaveBeenCalledTimes(2)
  })

  it('stops and says so where it may not listen, and bears silence', () => {
    vi.stubGlobal('SpeechRecognition', FakeRecognition)
    const { listening } = listen()
    listening.toggle()
    FakeRecognition.last.onerror?.({ error: 'no-speech' })
    expect(listening.isOn.value).toBe(true)
    FakeRecognition.last.onerror?.({ error: 'not-allowed' })
    expect([listening.isOn.value, listening.problem.value]).toEqual([false, 'This browser does not let the page listen.'])
  })
})
