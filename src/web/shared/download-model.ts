import type { WritableFormat } from '@core/formats'
import type { ModelDocument } from '@core/model'
import { download, fileName } from './download'

/** Hands a model to the person as a file of a format that is written. */
export function downloadModel(name: string, model: ModelDocument, { write, extensions, mediaType }: WritableFormat): void {
  download(fileName(name, extensions[0]!), write(model), mediaType)
}
