<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told } from '@/api/client'
import { shortDay } from '@/lib/dates'
import { useMoney } from '@/lib/money'
import { useMe } from '@/lib/session'
import CostBar from './CostBar.vue'
import UnpricedNote from './UnpricedNote.vue'
import { costParts } from './parts'

// What this vehicle cost in a year, and turn by turn.
const props = defineProps<{ vehicleId: string }>()
const { zone } = useMe()
const money = useMoney()
const { data } = useQuery({
  queryKey: ['vehicle', () => props.vehicleId, 'money'],
  queryFn: () => told(api.GET('/api/v1/vehicles/{vehicle}/money', { params: { path: { vehicle: props.vehicleId } } })),
})
const most = computed(() => Math.max(1, ...(data.value?.turns ?? []).map((one) => one.cost.total)))
</script>

<template>
  <section v-if="data?.turns.length" class="sheet" aria-label="What it costs">
    <h2>What it costs</h2>
    <p>
      <strong>{{ money(data.cost.total) }}</strong> in a year, {{ money(data.cost.total / data.turns.length) }} a turn,
      {{ data.hours }} hours.
    </p>
    <CostBar :cost="data.cost" :most="data.cost.total" />
    <p class="small quiet">
      <template v-for="([key, name], i) in costParts.filter(([key]) => data?.cost[key])" :key="key"
        >{{ i ? ', ' : '' }}{{ name.toLowerCase() }} {{ money(data.cost[key]) }}</template
      >.
    </p>
    <UnpricedNote :names="data.unpriced" />
    <details class="unfold">
      <summary>Turn by turn</summary>
      <ul class="lines small">
        <li v-for="one in data.turns" :key="one.turn_id">
          <RouterLink :to="`/turns/${one.turn_id}`">{{ shortDay(one.worked_on, zone) }}</RouterLink>
          <span class="bar"><CostBar :cost="one.cost" :most="most" /></span>
          <span class="num">{{ money(one.cost.total) }}</span>
        </li>
      </ul>
    </details>
  </section>
</template>

<style scoped>
p {
  margin: 0 0 4px;
}

.bar {
  flex: 1;
}

.num {
  font-variant-numeric: tabular-nums;
}
</style>
