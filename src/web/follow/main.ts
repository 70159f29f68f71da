import '../shared/style.css'
import { createApp } from 'vue'
import type { Bundle } from '@core/formats'
import PainterWorker from '../../workers/painter.worker?worker&inline'
import { PainterClient } from '../workers/painter-client'
import FollowScreen from './FollowScreen.vue'

const text = document.getElementById('bundle')?.textContent ?? ''
const target = document.getElementById('follow')!

if (text.trim() === '') target.textContent = 'This page holds no booklet.'
else {
  const bundle = JSON.parse(text) as Bundle
  createApp(FollowScreen, { bundle, painter: new PainterClient((name) => new PainterWorker({ name })) }).mount(target)
}
