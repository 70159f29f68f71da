/**
 * Gives the focus to what the page is about, where what had it has gone: keys go on working, and a reader goes on reading.
 * @param when always on screens whose keys would be taken by a link that still has it
 */
export function focusMain(when: 'lost' | 'always' = 'lost'): void {
  const main = document.querySelector<HTMLElement>('main')
  const isKept = when === 'lost' && document.activeElement !== null && document.activeElement !== document.body
  if (!main || isKept) return
  main.tabIndex = -1
  main.focus({ preventScroll: true })
}
