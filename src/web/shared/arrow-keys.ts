/** The way an arrow key points on the screen: to the right, and down. */
const WAYS: Readonly<Record<string, readonly [right: number, down: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** @returns undefined for any other key */
export const arrowWay = ({ key }: Pick<KeyboardEvent, 'key'>): readonly [right: number, down: number] | undefined =>
  Object.hasOwn(WAYS, key) ? WAYS[key] : undefined
