/** Where the browser keeps nothing, a reload begins anew; what is on the screen stays. */
export function remember(place: string, taken: readonly (readonly string[])[] | null): void {
  try {
    if (taken) localStorage.setItem(place, JSON.stringify(taken))
    else localStorage.removeItem(place)
  } catch {
    return
  }
}

export function remembered(place: string): string[][] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place) ?? '[]')
    return Array.isArray(kept) ? kept.filter((ids): ids is string[] => Array.isArray(ids) && ids.every((id) => typeof id === 'string')) : []
  } catch {
    return []
  }
}
