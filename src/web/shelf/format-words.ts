import type { WritableFormat } from '@core/formats'
import { say, type ScreenKey } from '../language'

/** By the id of a format: what it is called, and the same on a narrow button. */
const WORDS: Readonly<Record<string, readonly [title: ScreenKey, short: ScreenKey]>> = {
  'rail-json': ['shelf.titleFile', 'shelf.file'],
  'parts-table': ['shelf.titleTable', 'shelf.table'],
  gltf: ['shelf.titleDrawing', 'shelf.drawing'],
  'words-log': ['shelf.titleLog', 'shelf.log'],
}

/** One that has no words here says its own, in English. */
export function formatWords({ id, title, short }: Pick<WritableFormat, 'id' | 'title' | 'short'>): {
  readonly title: string
  readonly short: string
} {
  const words = WORDS[id]
  return words ? { title: say(words[0]), short: say(words[1]) } : { title, short }
}
