import type { PlainFault } from '@core/fault'

const escape = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)

/** What a person sees who has followed a link that leads nowhere. */
export const errorPage = ({ message, wayOut }: Pick<PlainFault, 'message' | 'wayOut'>): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Jump Rail</title>
<style>
body { margin: 0; background: #fbfaf6; color: #1f2124; font: 400 1.1rem/1.5 sans-serif }
main { max-width: 32em; margin: 18vh auto 0; padding: 0 20px; border-top: 3px solid #1f2124 }
h1 { font-size: 1.5rem }
a { color: #0d6468 }
</style>
<main>
<h1>${escape(message)}</h1>
${wayOut ? `<p>${escape(wayOut)}</p>` : ''}
<p><a href="/">To Jump Rail</a></p>
</main>
</html>
`
