/** The stand-in for object storage has no types of its own. */
declare module 's3rver' {
  export default class S3rver {
    constructor(options: {
      port: number
      address: string
      silent: boolean
      directory: string
      configureBuckets: readonly { readonly name: string }[]
    })
    run(): Promise<unknown>
    close(): Promise<void>
  }
}
