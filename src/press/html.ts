import type { Bundle } from '@core/booklet'

/** Where the built page of the follower waits for its bundle. */
export const BUNDLE_MARK = '<script type="application/json" id="bundle"></script>'

/** One HTML file that needs nothing else: the follower's page with the bundle inside. `<` is escaped, so nothing can close the script. */
export const writeHtml = (template: string, bundle: Bundle): string => writeHtmlText(template, JSON.stringify(bundle))

/** Where a page of the server has its booklet from. */
export interface PublishedAs {
  readonly id: string
  readonly version: number
  readonly newest: number
  /** Without its password the page holds nothing of it. */
  readonly isLocked: boolean
  /** The designer's own words. */
  readonly terms?: string
}

/** The same of a bundle that is text already: it is not read again. Empty where the page has to ask for it. */
export function writeHtmlText(template: string, bundle: string, published?: PublishedAs): string {
  const at = template.indexOf(BUNDLE_MARK)
  if (at < 0) throw new RangeError('the page has no place for a bundle')
  const place = published ? `<script type="application/json" id="published">${inScript(JSON.stringify(published))}</script>` : ''
  const filled = `${place}<script type="application/json" id="bundle">${inScript(bundle)}</script>`
  const title = escapeText(bundle === '' ? 'Booklet' : nameIn(bundle))
  return (template.slice(0, at) + filled + template.slice(at + BUNDLE_MARK.length)).replace(
    /<title>[^<]*<\/title>/,
    () => `<title>${title}</title>`,
  )
}

const inScript = (json: string): string =>
  json
    .replace(/</g, '\\u003c')
    .replace(/\u2028/g, '\\u2028')
    .replace(/\u2029/g, '\\u2029')

/** The name of the model, found without reading all: a quote inside a text is never bare. */
function nameIn(bundle: string): string {
  const found = /"model":\{[^{}[\]]*?"name":("(?:[^"\\]|\\.)*")/.exec(bundle)
  return found ? (JSON.parse(found[1]!) as string) : 'Booklet'
}

const escapeText = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;')
