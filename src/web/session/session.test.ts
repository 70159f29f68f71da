import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Fault } from '@core/fault'
import { keepSteps, splitStep, mergeWithNext } from '@core/edits'
import type { Command } from './commands'
import type { Session } from './session'
import { plainPlan } from './support/fake-planner'
import { FakeBrowser } from './support/fake-tabs'

/** Writes a word behind the notes: what was done, and in which order, is plain to read. */
const write = (word: string, more: Partial<Command> = {}): Command => ({
  label: `write ${word}`,
  change: (model) => ({ ...model, notes: `${model.notes ?? ''} ${word}` }),
  ...more,
})
const notesOf = (session: Session): string => session.snapshot.value?.model.notes ?? ''

async function opened(): Promise<{ browser: FakeBrowser; id: string; session: Session }> {
  const browser = new FakeBrowser()
  const id = await browser.add()
  const session = await browser.open(id)
  await session.settle()
  return { browser, id, session }
}

/** Everything on the screen belongs together. */
function expectConsistent({ snapshot }: Session): void {
  const shown = snapshot.value
  if (!shown) return
  expect(shown.printed).toEqual(plainPlan(shown.state))
  expect(shown.model).toBe(shown.state.model)
  expect(shown.source.model).toBe(shown.model)
  expect(shown.report.sections.map(({ id }) => id)).toEqual(shown.model.sections.map(({ id }) => id))
  shown.report.sections.forEach(({ steps }) => steps.forEach(({ number }, i) => expect(number).toBe(i + 1)))
}

describe('a session', () => {
  it('does one command after another, and answers each', async () => {
    const { session } = await opened()
    const answers = await Promise.all(['one', 'two', 'three'].map((word) => session.run(write(word))))
    expect(answers.map(({ kind }) => kind)).toEqual(['done', 'done', 'done'])
    expect(notesOf(session)).toBe(' one two three')
    expect(await session.run({ label: 'nothing', change: (model) => model })).toEqual({ kind: 'unchanged' })
  })

  it('refuses what the reader would refuse, what cannot be done, and what hands could not follow, and nothing changes', async () => {
    const { session } = await opened()
    const before = session.snapshot.value
    expect(await session.run(write('bad'))).toMatchObject({ kind: 'refused', reason: 'The reader refuses this.' })
    const impossible = {
      label: 'x',
      change: () => {
        throw new Fault('cannot-move', 'This cannot be done.')
      },
    }
    expect(await session.run(impossible)).toMatchObject({ kind: 'refused', reason: 'This cannot be done.' })
    const answer = await session.run(write('break', { mustBuild: true }))
    expect(answer).toMatchObject({ kind: 'refused', reason: 'Nothing holds it.' })
    expect(session.snapshot.value).toBe(before)
    expect(session.history.undoLabel.value).toBe('')
    // It can be done all the same.
    expect(answer.kind === 'refused' && (await answer.anyway!())).toEqual({ kind: 'done' })
    expect(notesOf(session)).toBe(' break')
  })

  it('undoes and does again, also settings, and after a reload', async () => {
    const { browser, id, session } = await opened()
    await session.run(write('one'))
    await session.run({
      label: 'lay them another way',
      settings: { ...session.snapshot.value!.settings, strategy: 'core-out' },
      fresh: 'all',
    })
    await session.settle()
    session.close()
    const again = await browser.open(id)
    await again.settle()
    expect(again.history.undoLabel.value).toBe('lay them another way')
    await again.undo()
    expect(again.snapshot.value!.settings.strategy).toBe('ground-up')
    await again.undo()
    expect(notesOf(again)).toBe('')
    expect(await again.undo()).toEqual({ kind: 'unchanged' })
    await again.redo()
    await again.redo()
    expect([notesOf(again), again.snapshot.value!.settings.strategy]).toEqual([' one', 'core-out'])
  })

  it('undoes an edit of a section: what is shown is never of two versions', async () => {
    const { session } = await opened()
    const seen: string[] = []
    await session.run({ label: 'keep', change: (model, plans) => keepSteps(model, plans, 'main') })
    await session.run({ label: 'merge', change: (model, plans) => mergeWithNext(model, plans, { section: 'main', step: 0 }) })
    await session.run({ label: 'split', change: (model, plans) => splitStep(model, plans, { section: 'main', step: 0 }) })
    for (const way of ['undo', 'undo', 'redo', 'redo', 'undo'] as const) {
      await session[way]()
      expectConsistent(session)
      seen.push(String(session.snapshot.value!.report.sections[0]!.steps.length))
    }
    expect(seen).toEqual(['1', '2', '1', '2', '1'])
  })

  it('takes texts that are typed on as one change', async () => {
    const { session, browser, id } = await opened()
    const type = (text: string): Command => ({ label: 'note', group: 'note a 1', change: (model) => ({ ...model, notes: text }) })
    for (const text of ['P', 'Pr', 'Press']) await session.run(type(text))
    await session.run(write('else'))
    await session.settle()
    session.close()
    const again = await browser.open(id)
    await again.settle()
    await again.undo()
    expect(notesOf(again)).toBe('Press')
    await again.undo()
    expect(notesOf(again)).toBe('')
  })

  it('is not saved while anything is typed, queued or under way, and hands typed texts over when asked', async () => {
    const { browser, session } = await opened()
    expect(session.unsaved.state.value).toBe('nothing')
    const release = session.unsaved.typed(() => {
      release()
      void session.run(write('typed'))
    })
    expect(session.unsaved.state.value).toBe('typed')
    let go = (): void => undefined
    browser.trouble.pause = new Promise((resolve) => (go = resolve))
    session.unsaved.flush()
    expect(session.unsaved.state.value).toBe('waiting')
    go()
    await session.settle()
    expect([session.unsaved.state.value, notesOf(session)]).toEqual(['nothing', ' typed'])
  })

  it('keeps what a full disk refuses, says so, and writes it when there is room', async () => {
    const { browser, id, session } = await opened()
    browser.library.isFull = true
    await session.run(write('one'))
    await session.run(write('two'))
    await session.settle()
    expect([session.unsaved.state.value, session.saving.message.value]).toEqual(['failed', 'The disk is full.'])
    expect(notesOf(session)).toBe(' one two')
    browser.library.isFull = false
    await session.saving.retry()
    expect(session.unsaved.state.value).toBe('nothing')
    expect((await browser.library.open(id)).state.model.notes).toBe(' one two')
  })

  it('goes on when the planner dies, and tells when it dies again and again', async () => {
    const { browser, session } = await opened()
    browser.trouble.deaths = 1
    expect(await session.run(write('one'))).toEqual({ kind: 'done' })
    browser.trouble.deaths = 5
    expect(await session.run(write('two'))).toMatchObject({ kind: 'refused', reason: expect.stringContaining('Died') as unknown })
    browser.trouble.deaths = 0
    expect(await session.run(write('three'))).toEqual({ kind: 'done' })
    expect(notesOf(session)).toBe(' one three')
  })

  it('a stop ends the plan under way and nothing else: every command is answered', async () => {
    const { browser, session } = await opened()
    let go = (): void => undefined
    browser.trouble.pause = new Promise((resolve) => (go = resolve))
    const [first, second] = [session.run(write('one')), session.run(write('two'))]
    await Promise.resolve()
    await new Promise((resolve) => setTimeout(resolve, 5))
    session.stopPlanning()
    go()
    browser.trouble.pause = undefined
    expect(await first).toMatchObject({ kind: 'refused', reason: 'Planning was stopped; nothing has changed.' })
    expect(await second).toEqual({ kind: 'done' })
    expect(notesOf(session)).toBe(' two')
  })

  it('closed in the middle, answers what is under way and what waits', async () => {
    const { browser, session } = await opened()
    let go = (): void => undefined
    browser.trouble.pause = new Promise((resolve) => (go = resolve))
    const answers = [session.run(write('one')), session.run(write('two'))]
    session.close()
    go()
    expect((await Promise.all(answers)).map(({ kind }) => kind)).toEqual(['overtaken', 'overtaken'])
  })

  it('a second tab shows changes as they come, and both can go on', async () => {
    const { browser, id, session } = await opened()
    const other = await browser.open(id)
    await other.settle()
    await session.run(write('one'))
    await session.settle()
    await other.settle()
    await new Promise((resolve) => setTimeout(resolve, 10))
    await other.settle()
    expect(notesOf(other)).toBe(' one')
    await other.run(write('two'))
    await other.settle()
    await new Promise((resolve) => setTimeout(resolve, 10))
    await session.settle()
    expect([notesOf(session), session.history.undoLabel.value]).toEqual([' one two', 'write two'])
  })

  it('a model taken off in another tab cannot be saved into, and says so', async () => {
    const { browser, id, session } = await opened()
    await browser.library.remove(id)
    await session.run(write('one'))
    await session.settle()
    expect(session.unsaved.state.value).toBe('failed')
    expect(session.saving.message.value).toContain('taken off')
  })

  it('shows the stored report at once, before the planner has answered', async () => {
    const { browser, id, session } = await opened()
    await session.run(write('one'))
    await session.settle()
    await session.rest()
    session.close()
    let go = (): void => undefined
    browser.trouble.pause = new Promise((resolve) => (go = resolve))
    const again = await browser.open(id)
    expect([notesOf(again), again.isChecking.value]).toEqual([' one', true])
    go()
    await again.settle()
    expect(again.isChecking.value).toBe(false)
    expectConsistent(again)
  })
})

type Act =
  | { readonly kind: 'write' | 'bad' | 'break' | 'type' | 'undo' | 'redo' | 'die' | 'reload' | 'stop' | 'fill' | 'empty' }
  | { readonly kind: 'rest' }

/** A plain model of what a session should do: a list of notes, and a place in it. */
class PlainSession {
  states = ['']
  at = 0
  lastWasTyped = false

  get now(): string {
    return this.states[this.at]!
  }

  push(next: string, replaces = false): void {
    const keep = replaces ? this.at : this.at + 1
    this.states = [...this.states.slice(0, keep), next]
    this.at = keep
  }
}

const RUNS = Number(process.env['FUZZ_RUNS'] ?? 200)

describe('two tabs', () => {
  it('lose nothing where the planner dies again and again while one takes up what the other saved', async () => {
    const { browser, id, session } = await opened()
    const other = await browser.open(id)
    await other.settle()
    const answers = await Promise.all([session.run(write('one.')), other.run(write('two.'))])
    expect(answers.map(({ kind }) => kind)).toEqual(['done', 'done'])
    browser.trouble.deaths = 5
    for (let k = 0; k < 6; k++) {
      await Promise.all([session.settle(), other.settle()])
      await new Promise((resolve) => setTimeout(resolve, 1))
    }
    expect(browser.trouble.deaths).toBe(0)
    expect(browser.told).toEqual([])
    const words = ((await browser.library.open(id)).state.model.notes ?? '').trim().split(' ')
    expect(words.sort()).toEqual(['one.', 'two.'])
    for (const tab of [session, other]) {
      expect(notesOf(tab).trim().split(' ').sort()).toEqual(['one.', 'two.'])
      tab.close()
    }
  })
})

describe('any sequence of commands', () => {
  it('with reloads, deaths, stops and a full disk ends in the document a plain list predicts', { timeout: 600_000 }, async () => {
    const acts = fc.array(
      fc.constantFrom<Act>(
        ...(
          [
            'write',
            'write',
            'write',
            'bad',
            'break',
            'type',
            'type',
            'undo',
            'undo',
            'redo',
            'die',
            'reload',
            'fill',
            'empty',
            'rest',
          ] as const
        ).map((kind): Act => ({ kind })),
      ),
      { maxLength: 40 },
    )
    await fc.assert(
      fc.asyncProperty(acts, async (sequence) => {
        const { browser, id, session: first } = await opened()
        let session = first
        const plain = new PlainSession()
        for (const [i, { kind }] of sequence.entries()) {
          const isTyped = plain.lastWasTyped
          const { at, states } = plain
          if (kind === 'write') {
            const answer = await session.run(write(`w${i}`))
            expect(answer.kind).toBe('done')
            plain.push(`${plain.now} w${i}`)
          } else if (kind === 'bad') expect((await session.run(write('bad'))).kind).toBe('refused')
          else if (kind === 'break') expect((await session.run(write('break', { mustBuild: true }))).kind).toBe('refused')
          else if (kind === 'type') {
            const text = `${isTyped ? plain.states[plain.at - 1]! : plain.now} typed${i}`
            await session.run({ label: 'type', group: 'text', change: (model) => ({ ...model, notes: text }) })
            plain.push(text, isTyped)
            plain.lastWasTyped = true
          } else if (kind === 'undo') {
            expect((await session.undo()).kind).toBe(plain.at > 0 ? 'done' : 'unchanged')
            plain.at = Math.max(0, plain.at - 1)
          } else if (kind === 'redo') {
            expect((await session.redo()).kind).toBe(plain.at < plain.states.length - 1 ? 'done' : 'unchanged')
            plain.at = Math.min(plain.states.length - 1, plain.at + 1)
          } else if (kind === 'die') browser.trouble.deaths = 1
          else if (kind === 'fill') browser.library.isFull = true
          else if (kind === 'empty') {
            browser.library.isFull = false
            await session.saving.retry()
          } else if (kind === 'rest') await session.rest()
          else {
            // Who reloads was asked first, and has room made.
            browser.library.isFull = false
            await session.saving.retry()
            await session.settle()
            expect(session.unsaved.state.value).toBe('nothing')
            session.close()
            session = await browser.open(id)
            // A first plan that ends with the planner's death is asked for again by the person.
            await session.settle()
            if (!session.snapshot.value || session.problem.value !== '') await session.plan()
          }
          // What is typed on goes with what was typed before, unless something else was done in between.
          if (kind !== 'type' && (plain.at !== at || plain.states !== states || kind === 'reload')) plain.lastWasTyped = false
          expectConsistent(session)
          expect(notesOf(session)).toBe(plain.now)
        }
        browser.library.isFull = false
        await session.saving.retry()
        await session.settle()
        await session.rest()
        const stored = await browser.library.open(id)
        expect(stored.state.model.notes).toBe(plain.now)
        expect(stored.state).toEqual(session.snapshot.value?.state)
        expect(stored.stored.cursor).toBe(plain.at)
        expect(browser.told).toEqual([])
        session.close()
      }),
      { numRuns: RUNS },
    )
  })

  it('in two tabs at once loses nothing that was answered with done, and both end with the same', { timeout: 600_000 }, async () => {
    const acts = fc.array(
      fc.record({ tab: fc.nat({ max: 1 }), wait: fc.nat({ max: 3 }), kind: fc.constantFrom('write', 'write', 'die') }),
      { maxLength: 16 },
    )
    await fc.assert(
      fc.asyncProperty(acts, async (sequence) => {
        const { browser, id, session } = await opened()
        const tabs = [session, await browser.open(id)]
        await tabs[1]!.settle()
        const done: string[] = []
        const running: Promise<void>[] = []
        for (const [i, { tab, wait, kind }] of sequence.entries()) {
          if (kind === 'die') browser.trouble.deaths = 1
          else {
            const word = `w${i}.`
            running.push(
              tabs[tab]!.run(write(word)).then((answer) => {
                if (answer.kind === 'done') done.push(word)
              }),
            )
          }
          for (let k = 0; k < wait; k++) await new Promise((resolve) => setTimeout(resolve, 0))
        }
        await Promise.all(running)
        for (let k = 0; k < 6; k++) {
          for (const tab of tabs) await tab.settle()
          await new Promise((resolve) => setTimeout(resolve, 1))
        }
        for (const tab of tabs) await tab.rest()
        const stored = (await browser.library.open(id)).state
        const words = (stored.model.notes ?? '')
          .trim()
          .split(' ')
          .filter((word) => word !== '')
        const undone = browser.told.flatMap((text) => /“write (w\d+\.)”/.exec(text)?.[1] ?? [])
        expect([...words, ...undone].sort()).toEqual([...done].sort())
        for (const tab of tabs) {
          expect(tab.snapshot.value!.state).toEqual(stored)
          expectConsistent(tab)
          tab.close()
        }
      }),
      { numRuns: RUNS },
    )
  })
})
