import '../shared/style.css'
import './look.css'
import { createApp } from 'vue'
import type { Bundle } from '@core/booklet'
import PainterWorker from '../../workers/painter.worker?worker&inline'
import { PainterClient } from '../workers/painter-client'
import { keepThisBooklet } from '../offline/offline'
import FollowApp from './FollowApp.vue'
import { publishedAs } from './published-here'

const text = document.getElementById('bundle')?.textContent ?? ''
const target = document.getElementById('follow')!

const published = publishedAs()

function show(bundle: Bundle | null): void {
  const app = createApp(FollowApp, { bundle, published, painter: new PainterClient((name) => new PainterWorker({ name })) })
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
