// Writes the licence texts of everything that is shipped beside the application: dist/app/licences.txt.
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'))
const shipped = Object.entries(lock.packages).filter(([path, entry]) => path !== '' && !entry.dev && existsSync(path))

const texts = shipped.map(([path, { version }]) => {
  const about = JSON.parse(readFileSync(join(path, 'package.json'), 'utf8'))
  const file = readdirSync(path).find((name) => /^(licen[cs]e|copying|ofl)/i.test(name))
  const licence = typeof about.license === 'string' ? about.license : 'see the text'
  const text = file ? readFileSync(join(path, file), 'utf8').trim() : `No text is in the package; it names the licence ${licence}.`
  return `${about.name} ${version} (${licence})\n\n${text}\n`
})
mkdirSync('dist/app', { recursive: true })
const rule = `\n${'-'.repeat(72)}\n\n`
writeFileSync('dist/app/licences.txt', `What Jump Rail ships of others, and under which terms.\n${rule}${texts.sort().join(rule)}`)
