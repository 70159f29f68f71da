import type { PictureSize } from '@core/picture'

/** Of a model as it is finished, as the shelf shows it, px. */
export const SHELF_PICTURE: PictureSize = { width: 480, height: 360 }
