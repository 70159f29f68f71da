/**
 * Where published booklets are kept: bytes under keys. A key is made by us alone: lower-case words, digits and `-`, parted by
 * `/`, with one ending. Whatever is put is there whole or not at all, and stays after a crash once `put` has answered.
 */
export interface ObjectStore {
  /** Makes ready what the store needs, and sweeps what a crash has left long ago. */
  prepare(): Promise<void>
  /** @returns undefined where nothing stands under this key */
  get(key: string): Promise<Buffer | undefined>
  /** Puts it in place of what stands there. @throws where the store has no room, or takes nothing */
  put(key: string, bytes: Uint8Array | string): Promise<void>
  /** Nothing is said where there was nothing. */
  delete(key: string): Promise<void>
  /** Keys that begin with `prefix` (which ends in `/`), in order. */
  list(prefix: string): Promise<string[]>
  /** Tries to write, as publishing would. @throws where that fails */
  probe(): Promise<void>
  close(): Promise<void>
}
