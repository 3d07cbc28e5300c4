<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import Ribbon from '@/film/Ribbon.vue'
import { fromToday, shortDay } from '@/lib/dates'
import { behaviours, states } from '@/lib/words'
import { layersOf } from './groups'

const props = defineProps<{ ribbon: Schemas['Ribbon']; film: Schemas['Film']; width: number; zone: string }>()

const urgent = computed(() => ['failed', 'suspect', 'due', 'open'].includes(props.ribbon.state))
const due = computed(() => {
  const { due_at: at, state } = props.ribbon
  if (state === 'bare') return { day: 'no layer', away: 'suggest one' }
  if (!at) return { day: '—', away: states[state] ?? '' }
  if (state === 'suspect') return { day: 'clogged?', away: 'decontaminate, read again' }
  if (state === 'failed') return { day: 'spent', away: `read ${fromToday(at, props.zone)}` }
  return { day: shortDay(at, props.zone), away: state === 'open' ? 'can be renewed now' : fromToday(at, props.zone) }
})
const last = computed(() => {
  const reading = props.ribbon.readings.at(-1)
  return reading ? behaviours.find((known) => known.value === reading.behaviour)?.name.toLowerCase() : undefined
})
// Said after what can be seen, for those who hear it.
const heard = computed(
  () =>
    (last.value ? ` Last reading ${last.value}.` : '') +
    (props.ribbon.next_wash_on ? ` Next wash ${shortDay(props.ribbon.next_wash_on, props.zone)}.` : ''),
)
</script>

<template>
  <RouterLink :to="`/vehicles/${ribbon.vehicle_id}`" class="row" :data-vehicle="ribbon.vehicle_id">
    <span class="label">
      <span class="name">{{ ribbon.name }}</span>
      <span class="what">{{ layersOf(ribbon) }}</span>
    </span>
    <span class="lane"
      ><Ribbon :ribbon="ribbon" :from="film.from" :to="film.to" :today="film.today" :width="width"
    /></span>
    <span class="hidden-text">. {{ states[ribbon.state] }}. Renew by </span>
    <span class="when" :class="{ due: urgent }">
      <span class="day">{{ due.day }}</span>
      <span class="away">{{ due.away }}</span>
    </span>
    <span class="hidden-text">.{{ heard }}</span>
  </RouterLink>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: var(--label) minmax(0, 1fr) var(--due-col);
  gap: var(--s4);
  align-items: center;
  text-decoration: none;
  border-bottom: 1px solid var(--line);
  content-visibility: auto;
  contain-intrinsic-size: auto 55px;
}

.row:hover {
  background: linear-gradient(90deg, transparent, var(--film-mist) 12%, var(--film-mist) 88%, transparent);
}

.label {
  display: grid;
  min-width: 0;
  line-height: 1.3;
}

.name {
  font-weight: 600;
}

.name,
.what {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.what {
  font-size: 13px;
  color: var(--ink-3);
}

.lane {
  background: linear-gradient(
    90deg,
    transparent calc(var(--light) - 26px),
    var(--light-beam, var(--light-colour)) var(--light),
    transparent calc(var(--light) + 26px)
  );
  --light-colour: rgb(255 246 205 / 90%);
}

:root[data-theme='dark'] .lane {
  --light-colour: rgb(255 240 190 / 10%);
}

.when {
  display: grid;
  line-height: 1.3;
}

.day {
  font-weight: 600;
}

.away {
  font-size: 13px;
  color: var(--ink-3);
}

.when.due .away {
  color: var(--due);
  font-weight: 500;
}

@media (max-width: 700px) {
  .row {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 var(--s3);
    padding: var(--s2) 0 2px;
  }

  .lane {
    grid-row: 2;
    grid-column: 1 / -1;
  }

  .when {
    text-align: right;
  }
}
</style>
