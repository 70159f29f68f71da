import { onScopeDispose, ref } from 'vue'
import { ENGLISH, type Language, type Words } from '@core/language'

/** What a builder says with both hands full. */
export type SpokenCommand = 'next' | 'back' | 'again'

type Commands = readonly (readonly [SpokenCommand, RegExp])[]
const COMMANDS: Readonly<Record<Language, Commands>> = {
  en: [
    ['next', /^(next|next (step|one|page)|go on|forward)$/],
    ['back', /^(back|go back|step back|previous( step)?)$/],
    ['again', /^(again|say( it| that)? again|repeat( it| that)?|read( it)?( aloud| again)?)$/],
  ],
  de: [
    ['next', /^(weiter|nächster( schritt)?|nächste( seite)?|vor)$/],
    ['back', /^(zurück|schritt zurück|vorheriger( schritt)?)$/],
    ['again', /^(noch ?(mal|einmal)|wiederholen?|vorlesen)$/],
  ],
  fr: [
    ['next', /^(suivante?|étape suivante|page suivante|continuer?|avance)$/],
    ['back', /^(retour|en arrière|précédente?|étape précédente)$/],
    ['again', /^(encore|répète|répéter|relire|relis)$/],
  ],
  es: [
    ['next', /^(siguiente|paso siguiente|siguiente paso|adelante|continuar?)$/],
    ['back', /^(atrás|volver|anterior|paso anterior)$/],
    ['again', /^(otra vez|de nuevo|repetir?|repite|leer)$/],
  ],
}
/** What people say for politeness. */
const POLITE = /(^| )(please|okay|ok|bitte|s il te plaît|s il vous plaît|por favor|vale)(?= |$)/g

/** The command that was said; nothing where it was more or other than one: people talk while they build. */
export function commandIn(said: string, language: Language = 'en'): SpokenCommand | undefined {
  const words = said
    .toLowerCase()
    .replace(/[^\p{L} ]/gu, ' ')
    .replace(POLITE, ' ')
    .trim()
    .replace(/ +/g, ' ')
  return COMMANDS[language].find(([, pattern]) => pattern.test(words))?.[0]
}

/** Of the browser's recognition of speech what is used here; its types are in no library of the language. */
interface SpeechRecogniser {
  continuous: boolean
  lang: string
  onresult:
    ((event: { readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }>>; readonly resultIndex: number }) => void) | null
  onend: (() => void) | null
  onerror: ((event: { readonly error: string }) => void) | null
  start: () => void
  abort: () => void
}
interface Listening {
  readonly SpeechRecognition?: new () => SpeechRecogniser
  readonly webkitSpeechRecognition?: new () => SpeechRecogniser
}

/** Listens for commands until it is switched off; not while the page itself speaks. */
export function useListening(obey: (command: SpokenCommand) => void, { language, say }: Words = ENGLISH) {
  const { SpeechRecognition, webkitSpeechRecognition } = globalThis as Listening
  const Recogniser = SpeechRecognition ?? webkitSpeechRecognition
  const isOn = ref(false)
  const problem = ref('')
  let recognition: SpeechRecogniser | undefined

  function begin(): void {
    recognition = new Recogniser!()
    recognition.continuous = true
    recognition.lang = language
    recognition.onresult = ({ results, resultIndex }) => {
      if (globalThis.speechSynthesis?.speaking) return
      for (const result of Array.from(results).slice(resultIndex)) {
        const command = commandIn(result[0]?.transcript ?? '', language)
        if (command) obey(command)
      }
    }
    recognition.onerror = ({ error }) => {
      // Silence is no trouble; whoever may not listen, or cannot, says so and stops.
      if (error === 'no-speech' || error === 'aborted') return
      problem.value = say(error === 'network' ? 'follow.noNetworkToListen' : 'follow.mayNotListen')
      end()
    }
    // It ends by itself after a while.
    recognition.onend = () => isOn.value && recognition?.start()
    recognition.start()
  }
  function end(): void {
    isOn.value = false
    recognition?.abort()
    recognition = undefined
  }
  function toggle(): void {
    if (isOn.value) return end()
    problem.value = ''
    isOn.value = true
    begin()
  }
  onScopeDispose(end)
  return { isThere: Recogniser !== undefined, isOn, problem, toggle }
}
