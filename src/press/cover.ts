import { coverPicture, type BookletSource } from '@core/booklet'
import { pictureAddress } from '@core/model'
import { encodePng } from '@core/picture'
import { BookletPainter } from './paint'

/** As large as a phone shows it, px: it stands there until the page has painted its own. */
const SIZE = { width: 400, height: 300 }
/** A picture that takes more letters is left out: it would keep the page waiting. */
const MOST_LETTERS = 90_000

/** The finished model as a small PNG, a data address: what a booklet shows before anything of it is read. Nothing where there is none. */
export async function coverOf(source: BookletSource): Promise<string | undefined> {
  const picture = coverPicture(source)
  if (!picture) return undefined
  const image = new BookletPainter(source, SIZE).paint(picture, 'finished')
  const address = pictureAddress(await encodePng(image))
  return address.length > MOST_LETTERS ? undefined : address
}
