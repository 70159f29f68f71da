/** An RGB picture, three bytes a dot, rows from the top. */
export interface RgbImage {
  readonly width: number
  readonly height: number
  readonly data: Uint8Array
}
