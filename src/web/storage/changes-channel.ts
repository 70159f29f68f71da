/** Tells other tabs that a model has changed, and hears of it from them. Where there is no channel, tabs meet when they save. */
export interface ChangesChannel {
  post(id: string, revision: number): void
  close(): void
}

interface Message {
  readonly id: string
  readonly revision: number
}

export function openChangesChannel(onChange: (id: string, revision: number) => void): ChangesChannel {
  if (typeof BroadcastChannel === 'undefined') return { post: () => undefined, close: () => undefined }
  const channel = new BroadcastChannel('jump-rail changes')
  channel.onmessage = ({ data }: MessageEvent<Message>) => onChange(data.id, data.revision)
  return {
    post: (id, revision) => channel.postMessage({ id, revision }),
    close: () => channel.close(),
  }
}
