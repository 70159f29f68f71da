import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { choiceIn, choiceText, ideasOf, tallyIdeas } from './index'

describe('ideas', () => {
  it('are a line each, each once, and nothing where there is nothing to choose', () => {
    expect(ideasOf({ booklet: { ideas: ' Boat house \n\nMill\nBoat house\n' } })).toEqual(['Boat house', 'Mill'])
    expect(ideasOf({ booklet: { ideas: 'Mill' } })).toEqual([])
    expect(ideasOf({})).toEqual([])
  })

  it('are told apart from other letters', () => {
    const idea = fc.string({ minLength: 1, maxLength: 80 }).map((text) => text.replace(/\s/g, '_'))
    fc.assert(
      fc.property(idea, (text) => {
        expect(choiceIn(choiceText(text))).toBe(text)
      }),
    )
    expect(choiceIn('I like it [choice 1] a lot')).toBeUndefined()
  })

  it.each([
    [[], 'Nobody has chosen yet.'],
    [['Mill', 'Mill', 'Boat'], '“Mill” is wanted most: 2 of 3 voices.'],
    [['Mill', 'Boat'], 'A tie: “Boat” and “Mill” have 1 of 2 voices each.'],
    [['Tower'], '“Tower” is wanted most: 1 of 1 voice.'],
  ])('%j', (chosen, words) => {
    const tally = tallyIdeas(['Boat', 'Mill'], chosen)
    expect(tally.words).toBe(words)
    expect(tally.lines.reduce((sum, { voices }) => sum + voices, 0)).toBe(chosen.length)
  })
})
