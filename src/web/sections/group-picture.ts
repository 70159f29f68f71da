import { partsOf, sectionById, type ModelDocument } from '@core/model'
import type { Suggestion } from '@core/suggestions'
import { toBytes, unplanned, newState } from '../../workers/plan-messages'
import type { PainterClient } from '../workers/painter-client'

const SIZE = { width: 240, height: 180 }

/** Paints what a suggestion would make a section: its first group alone. */
export async function paintGroup(painter: PainterClient, model: ModelDocument, suggestion: Suggestion, version: number) {
  const ids = new Set(suggestion.groups[0])
  const parts = partsOf(sectionById(model, suggestion.section)).filter(({ id }) => ids.has(id))
  const { shapes, palette } = model
  const alone: ModelDocument = {
    format: 'jump-rail-model',
    version: 1,
    name: 'Group',
    root: 'group',
    sections: [{ id: 'group', name: 'Group', parts }],
    ...(shapes ? { shapes } : {}),
    ...(palette ? { palette } : {}),
  }
  const printed = unplanned(newState(alone))
  await painter.openBytes(version, () => ({ model: toBytes(alone), printed: toBytes(printed) }))
  return painter.picture({ section: 'group', step: 0, view: 0 }, 'finished', SIZE)
}
