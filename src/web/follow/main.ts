// First of all, so that it runs beside what follows.
import { painter } from './early-painter'
import '../shared/style.css'
import './look.css'
import { createApp } from 'vue'
import { PageIndex, type Bundle } from '@core/booklet'
import { STEP_PICTURE } from '../shared/step-picture-size'
import { keepThisBooklet } from '../offline/offline'
import FollowApp from './FollowApp.vue'
import { loadProgress, progressKey } from './progress'
import { publishedAs } from './published-here'

const text = document.getElementById('bundle')?.textContent ?? ''
const target = document.getElementById('follow')!

const published = publishedAs()

/** What whoever opens it for the first time sees first is painted while the page is still made. */
function paintAhead(bundle: Bundle): void {
  void painter.open(bundle)
  const cover = new PageIndex(bundle).page(0)
  const isBegun = loadProgress(progressKey(bundle, published?.id)).page > 0
  if (cover.kind === 'cover' && cover.picture && !isBegun) painter.prepare(cover.picture, 'finished', STEP_PICTURE)
}

function show(bundle: Bundle | null): void {
  if (bundle) paintAhead(bundle)
  const app = createApp(FollowApp, { bundle, published, painter })
  app.config.errorHandler = (error) => {
    // A page that cannot be shown says so, instead of staying blank.
    if (target.childElementCount === 0)
      target.textContent = `This booklet cannot be shown: ${error instanceof Error ? error.message : String(error)}`
    console.error(error)
  }
  app.mount(target)
}

if (published?.isLocked) show(null)
else if (text.trim() === '') target.textContent = 'This page holds no booklet.'
else {
  try {
    show(JSON.parse(text) as Bundle)
    if (published) keepThisBooklet().catch(() => undefined)
  } catch {
    target.textContent = 'This booklet is damaged. Ask the designer for it again.'
  }
}
