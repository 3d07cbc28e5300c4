<script setup lang="ts">
import { computed } from 'vue'
import { shortDay } from '@/lib/dates'
import { longDays, type Weeks } from './weeks'

// Days that would run over one time in ten, in words: what the whisker over a vessel says.
const props = defineProps<{ weeks: Weeks; zone: string }>()
const SHOWN = 12
const days = computed(() => longDays(props.weeks))
const hours = (minutes: number) => `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')} h`
</script>

<template>
  <details v-if="days.length" class="long">
    <summary>{{ days.length === 1 ? 'One day' : `${days.length} days` }} would run over one time in ten</summary>
    <ul>
      <li v-for="day in days.slice(0, SHOWN)" :key="day.on + day.crew">
        {{ shortDay(day.on, zone) }}, {{ day.crew }}: nine times in ten done after {{ hours(day.inTen) }}, the day has
        {{ hours(day.minutes) }}.
      </li>
    </ul>
    <p v-if="days.length > SHOWN" class="small quiet">And {{ days.length - SHOWN }} later ones.</p>
  </details>
</template>

<style scoped>
.long {
  margin: 0 0 var(--s2);
}

ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
