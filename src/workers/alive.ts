/**
 * A worker that dies without a word (out of memory, closed by itself) sends no event. While it lives it holds a lock of its own
 * name; whoever waits for the lock gets it when the worker is gone. Where there are no locks, only errors are heard of.
 */
export function staysAlive(): void {
  if (self.name !== '') void navigator.locks?.request(self.name, () => new Promise(() => undefined)).catch(() => undefined)
}
