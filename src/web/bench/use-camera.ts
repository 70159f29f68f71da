import { computed, ref, shallowRef, type Ref } from 'vue'
import {
  cameraOf,
  fitFreeCamera,
  rayUnder,
  turnedBy,
  USUAL_VIEW,
  type Camera,
  type FreeCamera,
  type FreeView,
  type PictureSize,
} from '@core/picture'
import { add, apply, transpose, type Box, type Ray } from '@core/space'

const MARGIN = 48
const MOST_SCALE = 4
/** px per u, from a city to one stud. */
const SCALES = [0.02, 24] as const

/** The camera of a picture that is turned, moved and zoomed by hand. */
export function useCamera(size: Ref<PictureSize>) {
  const free = shallowRef<FreeCamera>({ ...USUAL_VIEW, centre: [0, 0, 0], scale: 2 })
  /** It was turned or zoomed since it was fitted. */
  const isOwn = ref(false)
  const camera = computed<Camera>(() => cameraOf(free.value, size.value))

  function fit(box: Box, view: FreeView = free.value): void {
    free.value = fitFreeCamera(box, { turn: view.turn, lift: view.lift }, size.value, { margin: MARGIN, mostScale: MOST_SCALE })
    isOwn.value = false
  }
  function turn(by: FreeView): void {
    free.value = { ...free.value, ...turnedBy(free.value, by) }
    isOwn.value = true
  }
  /** Moves the picture under the pointer, px. */
  function pan(x: number, y: number): void {
    const { matrix, scale } = camera.value
    free.value = { ...free.value, centre: add(free.value.centre, apply(transpose(matrix), [-x / scale, y / scale, 0])) }
    isOwn.value = true
  }
  /** Zooms about a dot of the picture, which stays where it is; px. */
  function zoom(factor: number, x = size.value.width / 2, y = size.value.height / 2): void {
    const before = free.value.scale
    const scale = Math.max(SCALES[0], Math.min(SCALES[1], before * factor))
    const [dx, dy] = [x - size.value.width / 2, y - size.value.height / 2]
    free.value = { ...free.value, scale }
    const share = 1 - scale / before
    pan(dx * share, dy * share)
  }
  const rayAt = (x: number, y: number): Ray => rayUnder(camera.value, x, y)
  return { free, camera, isOwn, fit, turn, pan, zoom, rayAt }
}
