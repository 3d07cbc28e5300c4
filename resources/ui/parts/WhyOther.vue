<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { inWords, t } from '@/lib/i18n'
import { useUnits } from '@/lib/units'
import { kindsSaid, numbers, scopes, soils, waters } from '@/lib/words'

// Where the minutes are not those of the plan: the fact that differs, and what it costs or saves.
const props = defineProps<{ expected: Schemas['VisitExpected']; minutes: number | null }>()
const units = useUnits()
type Fact = Schemas['FactDiffers']
const weather = (said: string) =>
  said === 'rain' ? t('why-other.rain') : t('why-other.dry', { air: units.temperature(Number(said.split(' ')[0])) })
const says: Record<Fact['fact'], (one: Fact) => string> = {
  soil: (one) => t('why-other.soil', { is: soilSaid(one.is), was: soilSaid(one.was) }),
  grit: (one) => t(one.is === 'yes' ? 'why-other.grit' : 'why-other.no-grit'),
  water: (one) => t('why-other.water', { is: waters[one.is] ?? '', was: waters[one.was] ?? '' }),
  weather: (one) => t('why-other.weather', { is: weather(one.is), was: weather(one.was) }),
  panel: (one) =>
    one.is ? t('why-other.panel', { at: units.temperature(Number(one.is)) }) : t('why-other.panel-not-measured'),
  place: (one) => t('why-other.place', { is: placeSaid(one.is), was: placeSaid(one.was) }),
  found: () => t('why-other.found'),
  choices: () => t('why-other.choices'),
  scope: (one) =>
    t('why-other.instead', {
      is: scopes[one.is] ?? t('why-other.own-set'),
      was: scopes[one.was] ?? t('why-other.own-set'),
    }),
  kinds: (one) => t('why-other.instead', { is: heldSaid(one.is), was: heldSaid(one.was) }),
  crew: (one) => t('why-other.crew', { is: numbers[Number(one.is)] ?? '', was: numbers[Number(one.was)] ?? '' }),
}
const stands: Record<string, string> = inWords('stands', {
  pressure: 'pressure',
  power: 'power',
  shade: 'shade',
  bay: 'a roof',
})
const placeSaid = (said: string) =>
  said
    .split(' ')
    .map((one) => stands[one] ?? t('why-other.nothing-of-it'))
    .join(', ')
const soilSaid = (level: string) => soils[Number(level)]?.name ?? level
const heldSaid = (kinds: string) => (kinds ? kindsSaid(kinds.split(' ')) : t('why-other.nothing-planned'))
const amount = (minutes: number | null) =>
  minutes === null || minutes === 0
    ? ''
    : t(minutes > 0 ? 'why-other.more' : 'why-other.less', { n: Math.abs(minutes) }, Math.abs(minutes))
const lines = computed(() =>
  props.expected.facts.map(
    (one) => says[one.fact](one).replace(/^./, (letter) => letter.toUpperCase()) + amount(one.minutes),
  ),
)
</script>

<template>
  <div v-if="lines.length" class="small other">
    <p v-if="expected.minutes && minutes && expected.minutes !== minutes">
      {{ $t('why-other.expected-were', { minutes: expected.minutes }) }}
    </p>
    <ul>
      <li v-for="one in lines" :key="one">{{ one }}.</li>
    </ul>
  </div>
</template>

<style scoped>
p,
ul {
  margin: 0;
}

ul {
  padding-left: 18px;
}
</style>
