<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import { counted, kindsSaid, numbers, scopes, soils, waters } from '@/lib/words'

// Where the minutes are not those of the plan: the fact that differs, and what it costs or saves.
const props = defineProps<{ expected: Schemas['VisitExpected']; minutes: number | null }>()
const units = useUnits()
type Fact = Schemas['FactDiffers']
const weather = (said: string) =>
  said === 'rain' ? 'rain' : `dry and ${units.temperature(Number(said.split(' ')[0]))}`
const says: Record<Fact['fact'], (one: Fact) => string> = {
  soil: (one) => `${soilSaid(one.is)} seen, ${soilSaid(one.was).toLowerCase()} expected`,
  grit: (one) => (one.is === 'yes' ? 'Grit in it' : 'No grit in it'),
  water: (one) => `${waters[one.is]}, ${waters[one.was]?.toLowerCase()} expected`,
  weather: (one) => `${weather(one.is)} now; ${weather(one.was)} expected`,
  panel: (one) =>
    one.is ? `The panel measured at ${units.temperature(Number(one.is))}` : 'The panel not measured any more',
  place: (one) => `Here ${placeSaid(one.is)}, ${placeSaid(one.was)} expected`,
  found: () => 'What was found on it, or read of its water',
  choices: () => 'What was chosen by hand',
  scope: (one) => `${scopes[one.is] ?? 'Its own set'} instead of ${(scopes[one.was] ?? 'its own set').toLowerCase()}`,
  kinds: (one) => `${heldSaid(one.is)} instead of ${heldSaid(one.was).toLowerCase()}`,
  crew: (one) => `${numbers[Number(one.is)]} at it, ${numbers[Number(one.was)]} planned`,
}
const stands: Record<string, string> = { pressure: 'pressure', power: 'power', shade: 'shade', bay: 'a roof' }
const placeSaid = (said: string) =>
  said
    .split(' ')
    .map((one) => stands[one] ?? 'nothing of it')
    .join(', ')
const soilSaid = (level: string) => soils[Number(level)]?.name ?? level
const heldSaid = (kinds: string) => (kinds ? kindsSaid(kinds.split(' ')) : 'nothing planned')
const amount = (minutes: number | null) =>
  minutes === null
    ? ''
    : minutes === 0
      ? ''
      : `: ${counted(Math.abs(minutes), 'minutes')} ${minutes > 0 ? 'more' : 'less'}`
const lines = computed(() =>
  props.expected.facts.map(
    (one) => says[one.fact](one).replace(/^./, (letter) => letter.toUpperCase()) + amount(one.minutes),
  ),
)
</script>

<template>
  <div v-if="lines.length" class="small other">
    <p v-if="expected.minutes && minutes && expected.minutes !== minutes">
      Expected were {{ expected.minutes }} minutes.
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
