import type { Reporter, TestModule } from 'vitest/node'

/** Closes a run with one plain line that scripts/test.mjs adds up. */
export default class ClosingLine implements Reporter {
  onTestRunEnd(modules: readonly TestModule[], errors: readonly unknown[]): void {
    let passed = 0
    let failed = errors.length
    let skipped = 0
    for (const module of modules) {
      if (module.children.size === 0 && module.state() === 'failed') failed++
      for (const test of module.children.allTests()) {
        const { state } = test.result()
        if (state === 'passed') passed++
        else if (state === 'failed') failed++
        else skipped++
      }
    }
    process.stdout.write(`\nunit: ${passed} passed, ${failed} failed, ${skipped} skipped\n`)
  }
}
