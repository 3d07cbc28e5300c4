import { useEventListener, useStorage } from '@vueuse/core'
import { onUnmounted, ref, watch, type Ref } from 'vue'
import { t } from '@/lib/i18n'
import type { Timer } from './timers'

/** Calls out before a film dries: by sound, by the phone's shaking, on the screen; and keeps the screen awake meanwhile. */
export function useAlarm(running: Ref<Timer[]>, working: Ref<boolean>) {
  const sound = useStorage('sheet-sound', true)
  const called = new Map<string, Timer['phase']>()
  const saying = ref('')
  let audio: AudioContext | null = null
  let awake: WakeLockSentinel | null = null

  /** A browser lets a page sound only after it has been touched. */
  function unlock(): void {
    if (!audio && 'AudioContext' in window) audio = new AudioContext()
    void audio?.resume()
  }

  function beep(times: number): void {
    if (!sound.value || !audio) return
    for (let i = 0; i < times; i++) {
      const tone = audio.createOscillator()
      const volume = audio.createGain()
      const at = audio.currentTime + i * 0.32
      tone.frequency.value = i % 2 ? 880 : 1245
      volume.gain.setValueAtTime(0.0001, at)
      volume.gain.exponentialRampToValueAtTime(0.5, at + 0.02)
      volume.gain.exponentialRampToValueAtTime(0.0001, at + 0.26)
      tone.connect(volume).connect(audio.destination)
      tone.start(at)
      tone.stop(at + 0.3)
    }
  }

  watch(
    running,
    (timers) => {
      for (const timer of timers) {
        if (called.get(timer.step.id) === timer.phase) continue
        const first = !called.has(timer.step.id)
        called.set(timer.step.id, timer.phase)
        if (timer.phase === 'hurry' || timer.phase === 'over') {
          saying.value =
            timer.phase === 'hurry'
              ? t('alarm.hurry', { step: timer.step.name })
              : t('alarm.over', { step: timer.step.name })
          beep(timer.phase === 'over' ? 6 : 3)
          navigator.vibrate?.(timer.phase === 'over' ? [400, 150, 400, 150, 400] : [250, 120, 250])
        } else if (timer.phase === 'ready' && !first) {
          saying.value = t('alarm.ready', { step: timer.step.name })
          beep(1)
          navigator.vibrate?.(120)
        }
      }
      for (const id of [...called.keys()]) if (!timers.some((timer) => timer.step.id === id)) called.delete(id)
    },
    { deep: true },
  )

  async function stayAwake(): Promise<void> {
    if (!working.value || document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return
    awake = await navigator.wakeLock.request('screen').catch(() => null)
  }
  watch(working, () => void (working.value ? stayAwake() : awake?.release()), { immediate: true })
  useEventListener(document, 'visibilitychange', () => void stayAwake())
  useEventListener(document, 'pointerdown', unlock, { passive: true })
  onUnmounted(() => {
    void awake?.release()
    void audio?.close()
  })

  return { sound, saying }
}
