/** Gives the focus to what the page is about, where what had it has gone: keys go on working, and a reader goes on reading. */
export function focusMain(): void {
  const main = document.querySelector<HTMLElement>('main')
  if (!main || (document.activeElement !== null && document.activeElement !== document.body)) return
  main.tabIndex = -1
  main.focus({ preventScroll: true })
}
