import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { locale } from '@/lib/i18n'

const silence = () => new URL('./silence.wav', import.meta.url).href

/** Voices that lie on this device: what is said on a driveway goes to nobody, and needs no signal. */
export function localVoice(voices: SpeechSynthesisVoice[], language: string): SpeechSynthesisVoice | null {
  const own = voices.filter((voice) => voice.localService && voice.lang.slice(0, 2) === language.slice(0, 2))
  return own.find((voice) => voice.lang.replace('_', '-') === language) ?? own[0] ?? null
}

/**
 * Speaks what stands on the screen, and hears the keys of a headset or a steering wheel: next moves on, the other stops
 * the visit or goes on with it.
 */
export function useVoice(on: Ref<boolean>, keys: { next: () => void; pause: () => void; again: () => void }) {
  const speech = 'speechSynthesis' in window ? window.speechSynthesis : null
  const voice = ref<SpeechSynthesisVoice | null>(null)
  // A list that is empty at first is filled a moment later.
  const find = () => (voice.value = localVoice(speech?.getVoices() ?? [], locale()))
  find()
  speech?.addEventListener?.('voiceschanged', find)
  // The keys belong to whoever plays: a second of silence, again and again.
  let playing: HTMLAudioElement | null = null
  let last = ''

  function say(words: string, urgent = false): void {
    if (!on.value || !speech || !voice.value || !words) return
    // Of what is overtaken nothing more is said.
    if (urgent || last !== words) speech.cancel()
    last = words
    const saying = new SpeechSynthesisUtterance(words)
    saying.voice = voice.value
    saying.lang = voice.value.lang
    saying.rate = 0.95
    speech.speak(saying)
  }

  function listen(): void {
    if (!('mediaSession' in navigator)) return
    const { mediaSession } = navigator
    playing = new Audio(silence())
    playing.loop = true
    void playing.play().catch(() => undefined)
    mediaSession.setActionHandler('nexttrack', keys.next)
    mediaSession.setActionHandler('previoustrack', keys.again)
    mediaSession.setActionHandler('play', keys.pause)
    mediaSession.setActionHandler('pause', keys.pause)
  }
  function leave(): void {
    speech?.cancel()
    playing?.pause()
    playing = null
    if ('mediaSession' in navigator)
      for (const key of ['nexttrack', 'previoustrack', 'play', 'pause'] as const)
        navigator.mediaSession.setActionHandler(key, null)
  }
  /** What stands on a lock screen or a car's display. */
  function show(title: string, artist: string): void {
    if ('mediaSession' in navigator && on.value && 'MediaMetadata' in window)
      navigator.mediaSession.metadata = new MediaMetadata({ title, artist })
  }

  watch(on, (now) => (now ? (find(), listen()) : leave()), { immediate: true })
  onScopeDispose(() => {
    speech?.removeEventListener?.('voiceschanged', find)
    leave()
  })

  return { voice, say, show }
}
