import { collectModels } from '@core/edits'
import { checkModel, type ModelDocument } from '@core/model'

/**
 * Several models as one that the reader would take: in a file of its own, since the shelf does not wait for it.
 *
 * @throws Fault where together they are more than a model can be
 */
export function makeCollection(name: string, models: readonly ModelDocument[]): ModelDocument {
  const model = collectModels(name, models)
  checkModel(model)
  return model
}
