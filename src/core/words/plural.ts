/** "1 part", "2 parts", "3 boxes": a count with its noun. */
export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`
