import { say } from '../language'
import { notify } from './notices'

/** Copies a link; told where the browser does not let it. */
export async function copyLink(link: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(link)
    notify(say('shared.theLinkIsCopied'))
  } catch {
    notify(say('shared.theLinkCouldNotBe'), { isError: true })
  }
}
