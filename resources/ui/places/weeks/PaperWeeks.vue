<script setup lang="ts">
import { computed } from 'vue'
import { shortDay } from '@/lib/dates'
import { locale } from '@/lib/i18n'
import { kindsSaid } from '@/lib/words'
import { dateOf, dayNumber, onPaper, type Weeks } from './weeks'

// The weeks as a calendar for the wall: seen on paper only.
const props = defineProps<{ weeks: Weeks; zone: string }>()
const vehicles = computed(() => Object.fromEntries(props.weeks.vehicles.map((one) => [one.id, one])))
const crews = computed(() =>
  props.weeks.crews.length > 1 ? Object.fromEntries(props.weeks.crews.map((one) => [one.id, one.name])) : {},
)
const pages = computed(() => onPaper(props.weeks))
const named = (day: number) =>
  new Date(`${dateOf(dayNumber('2026-01-05') + day)}T12:00:00Z`).toLocaleDateString(locale(), {
    weekday: 'short',
    timeZone: 'UTC',
  })
</script>

<template>
  <section class="paper-only" aria-label="The weeks on paper">
    <h1>Visits from {{ shortDay(weeks.start, zone) }}</h1>
    <table>
      <thead>
        <tr>
          <th v-for="day in 7" :key="day" scope="col">{{ named(day - 1) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="week in pages" :key="week[0]?.on">
          <td v-for="day in week" :key="day.on">
            <strong>{{ shortDay(day.on, zone) }}</strong>
            <ul>
              <li v-for="visit in day.visits" :key="visit.id">
                <span class="tick" aria-hidden="true" />
                {{ vehicles[visit.vehicle_id]?.name }}
                <small
                  >{{ kindsSaid(visit.kinds) }}, {{ visit.minutes }} min{{
                    [vehicles[visit.vehicle_id]?.site, crews[visit.crew_id]]
                      .filter(Boolean)
                      .map((one) => `, ${one}`)
                      .join('')
                  }}</small
                >
              </li>
            </ul>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.paper-only {
  display: none;
}

@media print {
  .paper-only {
    display: block;
    page: wide;
  }
}

@page wide {
  size: landscape;
}

table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  font-size: 9pt;
}

th,
td {
  border: 1px solid black;
  padding: 3px 4px;
  text-align: left;
  vertical-align: top;
  overflow-wrap: anywhere;
}

td {
  height: 22mm;
}

ul {
  list-style: none;
  margin: 2px 0 0;
  padding: 0;
}

li {
  margin-bottom: 3px;
}

small {
  display: block;
  font-size: 7.5pt;
}

.tick {
  display: inline-block;
  width: 7px;
  height: 7px;
  border: 1px solid black;
}
</style>
