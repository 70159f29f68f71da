/**
 * A worker that dies without a word (out of memory, closed by itself) sends no event. While it lives it holds a lock of its own
 * name; whoever waits for the lock gets it when the worker is gone. Where there are no locks, only errors are heard of.
 *
 * @returns whether the lock is held: only then is there something to wait for
 */
export function staysAlive(): Promise<boolean> {
  const { locks } = navigator
  if (self.name === '' || !locks) return Promise.resolve(false)
  return new Promise((resolve) => {
    const hold = (): Promise<never> => {
      resolve(true)
      return new Promise(() => undefined)
    }
    locks.request(self.name, hold).catch(() => resolve(false))
  })
}
