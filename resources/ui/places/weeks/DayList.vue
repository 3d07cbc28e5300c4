<script setup lang="ts">
import { locale } from '@/lib/i18n'
import { computed } from 'vue'
import { shortDay } from '@/lib/dates'
import { kindsSaid } from '@/lib/words'
import { byDay, type Visit, type Weeks } from './weeks'

// The same as a list, day by day: for a phone, and for those who hear it.
const props = defineProps<{ weeks: Weeks; zone: string }>()
const emit = defineEmits<{ choose: [visit: Visit] }>()
const vehicles = computed(() => Object.fromEntries(props.weeks.vehicles.map((one) => [one.id, one])))
const crews = computed(() => Object.fromEntries(props.weeks.crews.map((one) => [one.id, one.name])))
const days = computed(() => byDay(props.weeks.visits))
</script>

<template>
  <ol class="days">
    <li v-for="day in days" :key="day.on">
      <h2>
        {{ new Date(`${day.on}T12:00:00Z`).toLocaleDateString(locale(), { weekday: 'long', timeZone: 'UTC' }) }},
        {{ shortDay(day.on, zone) }}
      </h2>
      <ul>
        <li v-for="visit in day.visits" :key="visit.id">
          <button type="button" class="words" @click="emit('choose', visit)">
            {{ vehicles[visit.vehicle_id]?.name }}
          </button>
          <span
            >{{ kindsSaid(visit.kinds) }}, {{ visit.minutes }} min<template v-if="visit.locked"
              >, locked</template
            ></span
          >
          <span class="small quiet">{{
            [vehicles[visit.vehicle_id]?.site, crews[visit.crew_id]].filter(Boolean).join(' · ')
          }}</span>
        </li>
      </ul>
    </li>
  </ol>
</template>

<style scoped>
.days,
.days ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

h2 {
  font-size: 17px;
  margin: var(--s3) 0 2px;
  border-bottom: 1px solid var(--line-strong);
}

ul li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--s3);
  align-items: center;
  min-height: 44px;
}
</style>
