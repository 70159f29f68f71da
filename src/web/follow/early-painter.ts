import PainterWorker from '../../workers/painter.worker?worker&inline'
import { PainterClient } from '../workers/painter-client'

/** The painter starts before anything else of the page is read: it takes as long to begin as all the rest. */
export const painter = new PainterClient((name) => new PainterWorker({ name }))
painter.begin()
