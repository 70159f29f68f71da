import type { BookletExport } from '@press/index'
import { say, type ScreenKey } from '../language'

/** By the id of an export: what stands on its button, and what it is good for. */
const WORDS: Readonly<Record<string, readonly [title: ScreenKey, about: ScreenKey]>> = {
  pdf: ['booklet.exportPdf', 'booklet.exportPdfAbout'],
  'offline-page': ['booklet.exportOfflinePage', 'booklet.exportOfflinePageAbout'],
  'piece-list': ['booklet.exportPieceList', 'booklet.exportPieceListAbout'],
  'spoken-booklet': ['booklet.exportSpokenBooklet', 'booklet.exportSpokenBookletAbout'],
  'step-drawings': ['booklet.exportStepDrawings', 'booklet.exportStepDrawingsAbout'],
}

/** One that has no words here says its own, in English. */
export function exportWords({ id, title, about }: BookletExport): { readonly title: string; readonly about: string } {
  const words = WORDS[id]
  return words ? { title: say(words[0]), about: say(words[1]) } : { title, about }
}
