import { ref } from 'vue'
import { choiceText } from '@core/booklet'
import { Fault } from '@core/fault'
import { ENGLISH, type Words } from '@core/language'
import { askQuestion, removeQuestion } from '../published/server-client'
import { faultWords } from './fault-words'
import { choiceHere, forgetChoice, keepChoice } from './published-here'

/** The one voice that this device has among the ideas of a booklet. */
export function useIdeaChoice(id: string, password: string | undefined, words: Words = ENGLISH) {
  const chosen = ref(choiceHere(id)?.idea ?? '')

  /** The voice given before is taken back first, so that there are never two. @returns why it could not be done; empty where it is done */
  async function choose(idea: string): Promise<string> {
    try {
      const before = choiceHere(id)
      if (before?.idea === idea) return ''
      if (before) {
        await removeQuestion(id, before.token, before.questionId).catch(passGone)
        // Whatever happens now, nobody has a voice here until another is given.
        forgetChoice(id)
        chosen.value = ''
      }
      const sent = await askQuestion(id, { kind: 'question', text: choiceText(idea) }, password)
      keepChoice(id, { ...sent, idea })
      chosen.value = idea
      return ''
    } catch (thrown) {
      return faultWords(thrown, words)
    }
  }
  return { chosen, choose }
}

/** The designer may have taken it away. */
function passGone(thrown: unknown): void {
  if (!(thrown instanceof Fault && thrown.code === 'not-found')) throw thrown
}
