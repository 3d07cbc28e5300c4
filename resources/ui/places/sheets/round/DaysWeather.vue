<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { dayIn, wallClock } from '@/lib/dates'
import { useDeed } from '@/lib/deed'
import { fieldsOf } from '@/lib/form'
import { omit } from '@/lib/omit'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import ProblemNote from '@/parts/ProblemNote.vue'
import RowFields from '@/parts/RowFields.vue'
import { dried, noteSaid, rained, type WeatherNote } from './weather'

// The weather as somebody on the spot says it is: it takes the forecast’s place for curves, toppers, order and sheets.
const props = defineProps<{ on: string; noted: Schemas['WeatherNote'] | null }>()
const { zone } = useMe()
const units = useUnits()
const queries = useQueryClient()
const { busy, problem, fields, attempt } = useDeed('weeks')
const today = computed(() => props.on === dayIn(zone.value))
const hour = () => Number(wallClock(zone.value).slice(11, 13))
const blank = (): WeatherNote => ({
  on: props.on,
  low_c: null,
  high_c: null,
  wind_m_s: null,
  rh: null,
  cloud: null,
  rain_from: null,
  rain_until: null,
})
const note = computed(() => (props.noted ? omit(props.noted, ['by']) : blank()))
const form = ref<WeatherNote>(blank())
const open = ref(false)
watch(
  () => props.on,
  () => (open.value = false),
)
const wet = computed(() => {
  const { rain_from: from, rain_until: until } = note.value
  return from !== null && until !== null && from <= hour() && hour() < until
})
const hours = Object.fromEntries(Array.from({ length: 25 }, (_, i) => [String(i), `${String(i).padStart(2, '0')}:00`]))
const said = computed(() => (props.noted ? noteSaid(props.noted, units, hours) : null))
const temperature = computed(() => ({ shown: units.temperatureOut, kept: units.temperatureIn }))
const percent = { shown: (kept: number) => Math.round(kept * 100), kept: (typed: number) => typed / 100 }
const ask = computed(() =>
  fieldsOf<WeatherNote>()(
    ...(['low_c', 'high_c'] as const).map((name) => ({
      name,
      as: 'number' as const,
      label: name === 'low_c' ? 'Coldest' : 'Warmest',
      suffix: units.temperatureUnit.value,
      signed: true,
      optional: true,
      unit: temperature.value,
    })),
    {
      name: 'wind_m_s',
      as: 'number',
      label: 'Wind',
      suffix: units.speedUnit.value,
      optional: true,
      unit: { shown: units.speedOut, kept: units.speedIn },
    },
    { name: 'rh', as: 'number', label: 'Humidity', suffix: '%', optional: true, unit: percent },
    { name: 'cloud', as: 'number', label: 'Cloud', suffix: '% of the sky', optional: true, unit: percent },
    { name: 'rain_from', as: 'number', label: 'Rain from', suffix: 'o’clock', optional: true },
    {
      name: 'rain_until',
      as: 'number',
      label: 'Until',
      suffix: 'o’clock',
      hint: 'The same hour twice: it stays dry.',
      optional: true,
    },
  ),
)

const say = (body: WeatherNote) =>
  attempt(async () => {
    queries.setQueryData(['round', props.on], await told(api.PUT('/api/v1/round/weather', { body })))
  })
async function save() {
  if (await say({ ...form.value, on: props.on })) open.value = false
}
function type() {
  form.value = { ...note.value }
  open.value = true
}
</script>

<template>
  <section class="weather" aria-label="The day’s weather">
    <div class="row">
      <button v-if="today && !wet" type="button" class="beside" :disabled="busy" @click="say(rained(note, hour()))">
        It rains here now
      </button>
      <button v-if="today && wet" type="button" class="beside" :disabled="busy" @click="say(dried(note, hour()))">
        The rain has stopped
      </button>
      <button v-if="!open" type="button" class="words" @click="type">The day’s weather by hand</button>
      <span v-if="said" class="small" role="status"
        >{{ said }}{{ noted?.by ? ` (${noted.by})` : '' }}
        <button type="button" class="words small" :disabled="busy" @click="say(blank())">Back to the forecast</button>
      </span>
    </div>
    <form v-if="open" class="sheet grid" novalidate aria-label="The day’s weather by hand" @submit.prevent="save">
      <p class="small quiet">What you leave empty is taken from the forecast. All places of the day take it.</p>
      <RowFields :row="form" :ask="ask" :errors="fields" :columns="4" />
      <div class="row">
        <button type="submit" class="act" :disabled="busy">{{ busy ? 'Saving…' : 'Save' }}</button>
        <button type="button" class="words" @click="open = false">Cancel</button>
      </div>
    </form>
    <ProblemNote :problem="problem" />
  </section>
</template>

<style scoped>
.weather {
  margin: var(--s2) 0 var(--s3);
}

form {
  margin-top: var(--s2);
}
</style>
