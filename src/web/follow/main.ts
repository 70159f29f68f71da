// First of all, so that it runs beside what follows.
import { painter } from './early-painter'
import '../shared/style.css'
import './look.css'
import { createApp } from 'vue'
import { coverPicture, type Bundle } from '@core/booklet'
import { wordsIn } from '@core/language'
import { STEP_PICTURE } from '../shared/step-picture-size'
import { keepThisBooklet } from '../offline/offline'
import FollowApp from './FollowApp.vue'
import { languageToShow, readyLanguage } from './use-language'
import { loadProgress, progressKey } from './progress'
import { publishedAs } from './published-here'

const text = document.getElementById('bundle')?.textContent ?? ''
const target = document.getElementById('follow')!

const published = publishedAs()

/** What whoever opens it for the first time sees first is painted while the page is still made. */
function paintAhead(bundle: Bundle): void {
  void painter.open(bundle)
  const cover = coverPicture(bundle)
  const isBegun = loadProgress(progressKey(bundle, published?.id)).page > 0
  if (cover && !isBegun) painter.prepare([{ picture: cover, content: 'finished' }], STEP_PICTURE)
}

async function show(bundle: Bundle | null): Promise<void> {
  if (bundle) paintAhead(bundle)
  const language = await readyLanguage(languageToShow(bundle))
  const app = createApp(FollowApp, { bundle, published, painter, language })
  app.config.errorHandler = (error) => {
    // A page that cannot be shown says so, instead of staying blank.
    if (target.childElementCount === 0)
      target.textContent = wordsIn(language).say('follow.cannotShow', { why: error instanceof Error ? error.message : String(error) })
    console.error(error)
  }
  app.mount(target)
}

async function tell(key: 'follow.empty' | 'follow.damaged'): Promise<void> {
  target.textContent = wordsIn(await readyLanguage(languageToShow(null))).say(key)
}

async function begin(): Promise<void> {
  if (published?.isLocked) return show(null)
  if (text.trim() === '') return tell('follow.empty')
  try {
    await show(JSON.parse(text) as Bundle)
    if (published) keepThisBooklet().catch(() => undefined)
  } catch {
    await tell('follow.damaged')
  }
}
void begin()
