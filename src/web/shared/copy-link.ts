import { notify } from './notices'

/** Copies a link; told where the browser does not let it. */
export async function copyLink(link: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(link)
    notify('The link is copied.')
  } catch {
    notify('The link could not be copied. Mark it and copy it by hand.', { isError: true })
  }
}
