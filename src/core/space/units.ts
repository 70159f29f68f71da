/** 1 u = 0.8 mm (DESIGN.md, space). */
export const MM_PER_U = 0.8
export const STUD_PITCH = 10
export const PLATE_HEIGHT = 4
export const BRICK_HEIGHT = 12
export const STUD_WIDTH = 6
export const STUD_HEIGHT = 2
export const WALL_THICKNESS = 2
