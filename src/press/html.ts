import type { Bundle } from '@core/booklet'
import type { Language, LanguageFile } from '@core/language'

/** Where the built page of the follower waits for its bundle. */
export const BUNDLE_MARK = '<script type="application/json" id="bundle"></script>'

/** One HTML file that needs nothing else: the follower's page with the bundle inside. `<` is escaped, so nothing can close the script. */
export function writeHtml(template: string, bundle: Bundle, languages?: LanguageFiles): string {
  const page = writeHtmlText(template, JSON.stringify(bundle))
  if (!languages) return page
  const others = `<script type="application/json" id="languages">${inScript(JSON.stringify(languages))}</script>`
  return page.replace(BUNDLE_START, (mark) => others + mark)
}

/** What a page that opens from a disk needs to speak other languages than English. */
export type LanguageFiles = Partial<Record<Language, LanguageFile>>

/** The beginning of the bundle's place; what comes before it is the template's own. */
const BUNDLE_START = '<script type="application/json" id="bundle">'

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
  const { rest, cover } = coverIn(bundle)
  const filled = `${place}<script type="application/json" id="bundle">${inScript(rest)}</script>`
  const title = escapeText(bundle === '' ? 'Booklet' : nameIn(bundle))
  const shown = cover === '' ? '' : `<img src="${cover}" alt="" width="400" height="300" />`
  return (template.slice(0, at) + filled + template.slice(at + BUNDLE_MARK.length))
    .replace(/<title>[^<]*<\/title>/, () => `<title>${title}</title>`)
    .replace(FOLLOW_MARK, (mark) => mark + shown)
}

/** Where the follower is put, and its first picture before it. */
const FOLLOW_MARK = '<div id="follow">'
const COVER_MARK = '"cover":"data:image/png;base64,'

/** The picture of a bundle, and the bundle without it: it stands on the page once. A quote inside a text is never bare. */
function coverIn(bundle: string): { readonly rest: string; readonly cover: string } {
  const at = bundle.indexOf(COVER_MARK)
  const end = at < 0 ? -1 : bundle.indexOf('"', at + COVER_MARK.length)
  const cover = bundle.slice(at + '"cover":"'.length, end)
  if (end < 0 || !/^data:image\/png;base64,[A-Za-z0-9+/]+=*$/.test(cover)) return { rest: bundle, cover: '' }
  // With the comma after it, or before it where it stands last.
  const before = bundle.slice(0, at)
  const after = bundle.slice(end + 1)
  return { rest: after.startsWith(',') ? before + after.slice(1) : before.replace(/,$/, '') + after, cover }
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
