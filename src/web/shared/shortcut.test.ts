import { describe, expect, it } from 'vitest'
import { shortcutOf } from './shortcut'

const press = (key: string, code: string, shiftKey = false) => shortcutOf({ key, code, shiftKey })

describe('a shortcut', () => {
  it.each([
    ['s', 'KeyS', 's'],
    ['S', 'KeyS', 's'],
    ['ы', 'KeyS', 's'],
    ['Я', 'KeyZ', 'z'],
    ['ς', 'KeyW', 'w'],
    // The letter that is written counts where it is one of ours, wherever its key lies.
    ['z', 'KeyW', 'z'],
    ['<', 'Comma', '<'],
    ['ArrowLeft', 'ArrowLeft', 'ArrowLeft'],
    ['é', 'Digit2', 'é'],
  ])('%s on %s is %s', (key, code, meant) => {
    expect(press(key, code)).toBe(meant)
  })

  it('of a sign is known by its place where the keyboard writes another', () => {
    expect(press('Б', 'Comma', true)).toBe('<')
    expect(press('Ю', 'Period', true)).toBe('>')
    expect(press('ю', 'Period')).toBe('ю')
  })
})
