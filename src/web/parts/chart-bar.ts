/** One bar of a chart. */
export interface ChartBar {
  readonly label: string
  readonly value: number
  /** In its own colour; ink when missing. */
  readonly hex?: string
}
