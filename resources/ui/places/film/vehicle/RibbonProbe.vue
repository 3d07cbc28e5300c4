<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref, useId } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { timeScale } from '@/film/geometry'
import { shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { families, washTraits } from '@/lib/words'

// A ribbon one can point at: press it, drag, or use the arrow keys; what made it as thick as it is there is said below.
const props = defineProps<{ film: Schemas['Film']; ribbon: Schemas['Ribbon']; width: number }>()
const { zone } = useMe()
const DAY = 86_400_000
const days = computed(() => Math.round((Date.parse(props.film.to) - Date.parse(props.film.from)) / DAY))
const today = computed(() => Math.round((Date.parse(props.film.today) - Date.parse(props.film.from)) / DAY))
const day = ref<number | null>(null)
const at = computed(() =>
  day.value === null ? null : new Date(Date.parse(props.film.from) + day.value * DAY).toISOString().slice(0, 10),
)
const asked = refDebounced(at, 120)
const { data } = useQuery({
  queryKey: ['vehicle', () => props.ribbon.vehicle_id, 'point', () => props.ribbon.zone, asked],
  enabled: () => asked.value !== null,
  placeholderData: (before) => before,
  queryFn: () =>
    told(
      api.GET('/api/v1/vehicles/{vehicle}/film/point', {
        params: {
          path: { vehicle: props.ribbon.vehicle_id },
          query: { on: asked.value ?? '', zone: props.ribbon.zone },
        },
      }),
    ),
})
const x = computed(() => {
  if (day.value === null) return null
  const scale = timeScale(props.film.from, props.film.to, props.width)
  return scale(Date.parse(props.film.from) + day.value * DAY)
})
const point = computed(() => data.value?.point ?? null)
const hard = computed(() => point.value?.account.hard.at(0))
const said = computed(() => {
  if (!at.value) return ''
  const on = shortDay(at.value, zone.value)
  if (data.value && !point.value) return `${on}: nothing was on it.`
  return point.value
    ? `${on}, ${point.value.name ?? families[point.value.family]?.name ?? ''}: ${point.value.says}`
    : on
})
const asides = computed(() => {
  const of = point.value
  if (!of) return []
  return [
    of.seen_failed || of.ahead ? '' : `${Math.round(100 * of.holds)} in 100 that it held.`,
    hard.value && hard.value.share > 0.4
      ? `The hardest single thing: ${hard.value.traits.map((trait) => washTraits[trait] ?? trait).join(', ')} on ${shortDay(hard.value.on, zone.value)}.`
      : '',
  ].filter(Boolean)
})
function place(event: PointerEvent) {
  if (event.type === 'pointermove' && event.buttons === 0) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  day.value = Math.max(0, Math.min(days.value, Math.round(((event.clientX - box.left) / box.width) * days.value)))
}
const hint = useId()
</script>

<template>
  <div class="probe">
    <div class="lane" @pointerdown="place" @pointermove="place">
      <slot />
      <svg v-if="x !== null" class="needle" :width="width" height="100%" aria-hidden="true">
        <path :d="`M${x} 0V400`" />
      </svg>
      <input
        type="range"
        min="0"
        :max="days"
        :value="day ?? today"
        :aria-label="`A day on the ribbon of the ${ribbon.zone}`"
        :aria-valuetext="said || 'Move to a day'"
        :aria-describedby="hint"
        @input="day = Number(($event.target as HTMLInputElement).value)"
        @focus="day ??= today"
      />
    </div>
    <p :id="hint" class="why small" aria-live="polite">
      <template v-if="said">{{ [said, ...asides].join(' ') }}</template>
      <span v-else class="quiet">Press anywhere on the ribbon to ask why it is as thick as it is there.</span>
    </p>
  </div>
</template>

<style scoped>
.lane {
  position: relative;
  touch-action: pan-y;
  cursor: crosshair;
}

.needle {
  position: absolute;
  inset: 0;
  height: 100%;
  pointer-events: none;
  overflow: hidden;
}

.needle path {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 4 3;
}

input {
  position: absolute;
  inset: auto 0 0;
  width: 100%;
  height: 24px;
  margin: 0;
  opacity: 0;
  pointer-events: none;
}

.lane:has(input:focus-visible) {
  outline: 3px solid var(--ink);
  outline-offset: 2px;
}

.why {
  min-height: 40px;
  margin: 4px 0 var(--s3);
}
</style>
