import { describe, expect, it } from 'vitest'
import { checkModel, type ModelDocument } from '../model'
import { composeBooklet } from './booklet'

const model: ModelDocument = checkModel({
  format: 'jump-rail-model',
  version: 1,
  name: 'Post',
  root: 'post',
  sections: [{ id: 'post', name: 'Post', parts: [{ id: 'a', shape: 'brick-1x1', colour: 'rust', at: [0, 0, 0], turn: '+x+y' }] }],
})

describe('what a booklet is to be like', () => {
  it('is taken over piece by piece, and readers of the file accept it', () => {
    const asked = composeBooklet(composeBooklet(model, { paper: 'slide', contents: true }), { stepsOnSheet: 2, terms: 'Free.' })
    expect(asked.booklet).toEqual({ paper: 'slide', contents: true, stepsOnSheet: 2, terms: 'Free.' })
    expect(checkModel(JSON.parse(JSON.stringify(asked)))).toEqual(asked)
  })

  it('is not kept where it is as usual again', () => {
    const asked = composeBooklet(model, { paper: 'a5', label: true, errata: 'One plate more.' })
    expect(composeBooklet(asked, { paper: undefined, label: false, errata: '' })).toEqual(model)
    expect(model.booklet).toBeUndefined()
  })

  it.each([{ paper: 'a3' }, { stepsOnSheet: 0 }, { people: 1.5 }, { difficulty: 'hard' }, { columns: 'three' }])(
    'is refused as %o',
    (booklet) => {
      expect(() => checkModel({ ...model, booklet })).toThrow(expect.objectContaining({ code: expect.any(String) as string }) as Error)
    },
  )
})
