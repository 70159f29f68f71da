import { describe, expect, it } from 'vitest'
import { isTakenBack, keptOf, mayKeepBooklet, outdated } from './kept'

const asked = (path: string, isPage = false, method = 'GET') => keptOf({ method, address: new URL(path, 'https://here.example'), isPage })

describe('what is kept for where there is no network', () => {
  it('is the application, its files, and booklets that are opened as pages', () => {
    expect(asked('/', true)).toBe('app')
    expect(asked('/models/3/rail?step=4', true)).toBe('app')
    expect(asked('/assets/main-a1.js')).toBe('file')
    expect(asked('/icon-192.png')).toBe('file')
    expect(asked('/f/abc?v=2', true)).toBe('booklet')
    expect(asked('/follow/words/de.json')).toBe('booklet')
  })

  it('is nothing of what is said to the server, and nothing that changes something', () => {
    for (const path of ['/api/booklets/abc', '/healthz', '/readyz', '/follow/follow.html']) expect(asked(path, true)).toBe('nothing')
    expect(asked('/f/abc')).toBe('nothing')
    expect(asked('/', true, 'POST')).toBe('nothing')
    expect(asked('/model.rail.json')).toBe('nothing')
  })

  it('is a booklet only where everybody may read it at any time; what was taken back goes', () => {
    expect(mayKeepBooklet(200, 'no-cache')).toBe(true)
    expect(mayKeepBooklet(200, 'private, no-cache')).toBe(false)
    expect(mayKeepBooklet(401, 'no-cache')).toBe(false)
    expect([200, 304, 401, 403, 404, 410, 500, 503].filter(isTakenBack)).toEqual([401, 403, 404, 410])
  })

  it('keeps the version before, for a page of it may be open', () => {
    expect(outdated(['app 1', 'booklets', 'app 2', 'app 3'], 'app 3')).toEqual(['app 1'])
    expect(outdated(['app 1'], 'app 1')).toEqual([])
  })
})
