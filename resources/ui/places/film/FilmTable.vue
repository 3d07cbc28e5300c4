<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { fromToday, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { behaviours, states } from '@/lib/words'
import { layersOf } from './groups'

defineProps<{ ribbons: Schemas['Ribbon'][] }>()
const { zone } = useMe()
const day = (at: string | null) => (at ? shortDay(at, zone.value) : '—')
const read = (ribbon: Schemas['Ribbon']) =>
  behaviours.find((known) => known.value === ribbon.readings.at(-1)?.behaviour)?.name ?? '—'
</script>

<template>
  <div class="scroll" tabindex="0" role="region" aria-label="All vehicles as a table">
    <table class="listed">
      <caption class="hidden-text">
        What is on each vehicle and when it is due, most urgent first
      </caption>
      <thead>
        <tr>
          <th scope="col">Vehicle</th>
          <th scope="col">Layers</th>
          <th scope="col">State</th>
          <th scope="col">Left</th>
          <th scope="col">Last read</th>
          <th scope="col">From</th>
          <th scope="col">Renew by</th>
          <th scope="col">Late after</th>
          <th scope="col">Next wash</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="ribbon in ribbons" :key="ribbon.vehicle_id">
          <th scope="row">
            <RouterLink :to="`/vehicles/${ribbon.vehicle_id}`">{{ ribbon.name }}</RouterLink>
          </th>
          <td>{{ layersOf(ribbon) }}</td>
          <td :class="{ due: ['failed', 'suspect', 'due', 'open'].includes(ribbon.state) }">
            {{ states[ribbon.state] }}
          </td>
          <td class="number">{{ ribbon.left === null ? '—' : Math.round(ribbon.left * 100) + ' %' }}</td>
          <td>{{ read(ribbon) }}</td>
          <td>{{ day(ribbon.from_at) }}</td>
          <td>
            {{ day(ribbon.due_at) }}
            <span v-if="ribbon.due_at" class="quiet small">{{ fromToday(ribbon.due_at, zone) }}</span>
          </td>
          <td>{{ day(ribbon.late_at) }}</td>
          <td>{{ day(ribbon.next_wash_on) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
th,
td {
  padding-block: 9px;
  white-space: nowrap;
}
</style>
