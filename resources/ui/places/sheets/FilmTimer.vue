<script setup lang="ts">
import { t } from '@/lib/i18n'
import { computed } from 'vue'
import { clock, type Timer } from './timers'

// A wet film that thins as it dries: how long it has worked, how long it may stay. The words say it too.
const props = defineProps<{ timer: Timer; of: string; now: number }>()
const left = computed(() => (props.timer.closes === null ? null : props.timer.closes - props.now))
const share = computed(() => {
  const { from, closes } = props.timer
  return closes === null ? 1 : Math.max(0, Math.min(1, (closes - props.now) / Math.max(1, closes - from)))
})
const says = computed(() => {
  const { phase, opens, step } = props.timer
  if (phase === 'works') return t('film-timer.works', { left: clock(opens - props.now), step: step.name })
  if (phase === 'over') return t('film-timer.has-dried', { ago: clock(-(left.value ?? 0)), step: step.name })
  if (left.value === null) return t('film-timer.has-worked', { step: step.name })
  return t(phase === 'hurry' ? 'film-timer.now' : 'film-timer.within', { step: step.name, left: clock(left.value) })
})
const y = computed(() => 4 + 18 * (1 - share.value))
</script>

<template>
  <div class="timer" :class="timer.phase" role="timer" :aria-label="`${of}: ${says}`">
    <svg viewBox="0 0 300 24" preserveAspectRatio="none" aria-hidden="true">
      <path :d="`M0 22 Q40 ${y - 3} 80 ${y} T160 ${y} T240 ${y} T300 ${y} V22Z`" class="wet" />
      <path d="M0 22.5H300" class="panel" />
    </svg>
    <p>
      <strong>{{ of }}</strong> {{ says }}
    </p>
  </div>
</template>

<style scoped>
.timer {
  border: 1px solid var(--line-strong);
  border-radius: var(--edge);
  background: var(--sheet);
  overflow: hidden;
}

svg {
  display: block;
  width: 100%;
  height: 26px;
}

.wet {
  fill: var(--film);
  opacity: 0.75;
}

.panel {
  stroke: var(--ink);
  stroke-width: 3;
}

p {
  margin: 0;
  padding: 6px var(--s3) 8px;
  font-size: 16px;
  line-height: 1.35;
  font-variant-numeric: tabular-nums;
}

.hurry {
  border: 3px solid var(--due);
  background: var(--due-wash);
}

.over {
  border: 3px solid var(--refused);
  background: var(--refused-wash);
}
</style>
