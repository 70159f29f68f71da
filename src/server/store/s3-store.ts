import { randomUUID } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { DeleteObjectCommand, GetObjectCommand, ListObjectsV2Command, PutObjectCommand, S3Client } from '@aws-sdk/client-s3'
import type { ObjectStore } from './object-store'

/** Longest wait for one answer of the store, ms. */
const PATIENCE_MS = 20_000

/** Reading is tried so often, the second time after so long, then twice as long each time, ms. */
const TRIES = 5
const FIRST_WAIT_MS = 40

/** What is read while another writes or deletes it may break off in the middle, which the client does not try again. */
async function again<T>(act: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await act()
    } catch (thrown) {
      if (attempt === TRIES || (thrown as Error).name === 'NoSuchKey') throw thrown
      await wait(FIRST_WAIT_MS * 2 ** (attempt - 1))
    }
  }
}

/** Objects in a bucket of any store that speaks S3. Where it is and who may use it stand in the environment. */
export class S3Store implements ObjectStore {
  private readonly client: S3Client

  /** @param prefix what all keys begin with; empty, or ending in `/` */
  constructor(
    private readonly bucket: string,
    private readonly prefix: string,
    region: string,
  ) {
    this.client = new S3Client({
      region,
      // Stores other than the first one have no name for each bucket.
      forcePathStyle: true,
      maxAttempts: 3,
      requestHandler: { requestTimeout: PATIENCE_MS, connectionTimeout: 5000 },
      // Sums that only some stores know are left out.
      requestChecksumCalculation: 'WHEN_REQUIRED',
      responseChecksumValidation: 'WHEN_REQUIRED',
    })
  }

  prepare(): Promise<void> {
    return Promise.resolve()
  }

  async get(key: string): Promise<Buffer | undefined> {
    try {
      return await again(() => this.read(key))
    } catch (error) {
      if ((error as Error).name === 'NoSuchKey') return undefined
      throw error
    }
  }

  /** @throws also where fewer bytes come than were announced */
  private async read(key: string): Promise<Buffer> {
    const { Body, ContentLength } = await this.client.send(new GetObjectCommand({ Bucket: this.bucket, Key: this.prefix + key }))
    const bytes = Buffer.from(await Body!.transformToByteArray())
    if (ContentLength !== undefined && bytes.length !== ContentLength) throw new Error(`${bytes.length} of ${ContentLength} bytes came`)
    return bytes
  }

  async put(key: string, bytes: Uint8Array | string): Promise<void> {
    const Body = typeof bytes === 'string' ? Buffer.from(bytes) : bytes
    await this.client.send(new PutObjectCommand({ Bucket: this.bucket, Key: this.prefix + key, Body, ContentType: 'application/json' }))
  }

  async delete(key: string): Promise<void> {
    await this.client.send(new DeleteObjectCommand({ Bucket: this.bucket, Key: this.prefix + key }))
  }

  list(prefix: string): Promise<string[]> {
    return again(() => this.readList(prefix))
  }

  private async readList(prefix: string): Promise<string[]> {
    const keys: string[] = []
    let token: string | undefined
    do {
      const page = await this.client.send(
        new ListObjectsV2Command({
          Bucket: this.bucket,
          Prefix: this.prefix + prefix,
          Delimiter: '/',
          ...(token === undefined ? {} : { ContinuationToken: token }),
        }),
      )
      for (const { Key } of page.Contents ?? []) keys.push(Key!.slice(this.prefix.length))
      token = page.NextContinuationToken
    } while (token !== undefined)
    return keys.sort()
  }

  async probe(): Promise<void> {
    const key = `probe/${randomUUID()}`
    await this.put(key, 'probe')
    await this.delete(key)
  }

  close(): Promise<void> {
    this.client.destroy()
    return Promise.resolve()
  }
}
