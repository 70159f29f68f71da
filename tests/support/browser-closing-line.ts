import type { Reporter, Suite } from '@playwright/test/reporter'

/** Closes a browser run with one plain line that scripts/test.mjs adds up. */
export default class BrowserClosingLine implements Reporter {
  private suite: Suite | undefined

  onBegin(_config: unknown, suite: Suite): void {
    this.suite = suite
  }

  onEnd(): void {
    const outcomes = this.suite?.allTests().map((test) => test.outcome()) ?? []
    const count = (...wanted: string[]): number => outcomes.filter((outcome) => wanted.includes(outcome)).length
    process.stdout.write(`\nbrowser: ${count('expected')} passed, ${count('unexpected', 'flaky')} failed, ${count('skipped')} skipped\n`)
  }
}
