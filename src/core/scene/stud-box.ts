import { axisOf, boxAt, STUD_HEIGHT, STUD_WIDTH, type Box, type Direction, type Vec } from '../space'

/** The box of a stud that stands on `at` and points along `facing`, in the frame of both. */
export function studBox(at: Vec, facing: Direction): Box {
  const half = STUD_WIDTH / 2
  const axis = axisOf(facing)
  const size: [number, number, number] = [STUD_WIDTH, STUD_WIDTH, STUD_WIDTH]
  size[axis] = STUD_HEIGHT
  const min: [number, number, number] = [at[0] - half, at[1] - half, at[2] - half]
  min[axis] = at[axis] - ((facing & 1) === 0 ? 0 : STUD_HEIGHT)
  return boxAt(min, size)
}
