/** How large the picture of a step is painted where nobody says otherwise, px. */
export const STEP_PICTURE = { width: 800, height: 600 } as const
