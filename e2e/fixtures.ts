import { expect, test as base, type Page } from '@playwright/test'

export interface Options {
  /** Errors that a test brings about on purpose. */
  readonly expectedErrors: readonly RegExp[]
}

/** Every test fails on an error of a page or in its console, unless it says that it brings it about. */
export const test = base.extend<Options & { readonly watched: void }>({
  expectedErrors: [[], { option: true }],
  watched: [
    async ({ context, expectedErrors }, use) => {
      const errors: string[] = []
      const note = (text: string): void => {
        if (!expectedErrors.some((expected) => expected.test(text))) errors.push(text)
      }
      const watch = (page: Page): void => {
        page.on('pageerror', (error) => note(`page error: ${error.message}`))
        page.on('console', (message) => {
          if (message.type() === 'error') note(`console: ${message.text()} ${message.location().url}`)
        })
      }
      context.pages().forEach(watch)
      context.on('page', watch)
      await use()
      expect(errors).toEqual([])
    },
    { auto: true },
  ],
})

export { expect }
