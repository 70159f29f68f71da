import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import type { VersionName } from '@core/booklet'
import { Fault } from '@core/fault'
import type { Words } from '@core/language'
import { askQuestion, fetchQuestions, type NewQuestion, type Letter } from '../published/server-client'
import { faultWords } from './fault-words'
import { keepOwn, keepWaiting, ownQuestions, waitingQuestions } from './published-here'

/**
 * What builders ask the designer of a booklet, from this device; what cannot be sent waits until it can.
 * @param asker `shows` which of several versions is built: the same step may be another in another version, so a question says it
 */
export function useQuestions(
  id: string,
  password: string | undefined,
  { shows, words }: { readonly shows?: VersionName | undefined; readonly words: Words },
) {
  const questions = shallowRef<readonly Letter[]>([])
  const waiting = ref(waitingQuestions<NewQuestion>(id).length)
  const said = ref('')
  const carried = password === undefined ? {} : { password }

  /** What all may see, and one's own with their answers. */
  async function look(): Promise<void> {
    const lists = await Promise.all(
      [undefined, ...ownQuestions(id).map(({ token }) => token)].map((token) =>
        fetchQuestions(id, { ...carried, ...(token === undefined ? {} : { token }) }).catch(() => []),
      ),
    )
    questions.value = [...new Map(lists.flat().map((each) => [each.questionId, each])).values()]
  }

  async function send(question: NewQuestion): Promise<void> {
    keepOwn(id, await askQuestion(id, question, password))
  }

  /** @returns whether the words need not be kept by whoever wrote them */
  async function ask(asked: NewQuestion): Promise<boolean> {
    const question = shows ? { ...asked, text: `${shows.name}: ${asked.text}` } : asked
    try {
      await send(question)
      said.value = words.say('ask.sent')
      await look()
      return true
    } catch (thrown) {
      if (!(thrown instanceof Fault && thrown.code === 'no-server')) {
        said.value = words.say('ask.notSent', { why: faultWords(thrown, words) })
        return false
      }
      const isKept = keepWaiting(id, [...waitingQuestions(id), question])
      waiting.value = waitingQuestions(id).length
      said.value = words.say(isKept ? 'ask.later' : 'ask.notKept')
      return isKept
    }
  }

  /** Sends what waits, the oldest first, up to the first that cannot be sent. */
  async function sendWaiting(): Promise<void> {
    let rest = waitingQuestions<NewQuestion>(id)
    try {
      while (rest.length > 0) {
        await send(rest[0]!)
        rest = rest.slice(1)
        keepWaiting(id, rest)
      }
    } catch (thrown) {
      // What the server refuses would be refused for ever.
      if (thrown instanceof Fault && !['no-server', 'too-often', 'no-store'].includes(thrown.code)) keepWaiting(id, rest.slice(1))
    }
    waiting.value = waitingQuestions(id).length
    await look()
  }
  useEventListener(window, 'online', () => void sendWaiting())
  void sendWaiting()

  return { questions, waiting: computed(() => waiting.value), said, ask }
}
