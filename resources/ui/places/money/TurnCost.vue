<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, told } from '@/api/client'
import { useMoney } from '@/lib/money'
import CostBar from './CostBar.vue'
import UnpricedNote from './UnpricedNote.vue'
import { costParts } from './parts'

// What this turn cost, by what it was for.
const props = defineProps<{ turnId: string }>()
const money = useMoney()
const { data } = useQuery({
  queryKey: ['turn', () => props.turnId, 'cost'],
  queryFn: () => told(api.GET('/api/v1/turns/{turn}/cost', { params: { path: { turn: props.turnId } } })),
})
</script>

<template>
  <section v-if="data" class="sheet cost" aria-label="What it cost">
    <h2>What it cost: {{ money(data.cost.total) }}</h2>
    <CostBar :cost="data.cost" :most="data.cost.total" />
    <p class="small">
      <template v-for="([key, name], i) in costParts.filter(([key]) => data?.cost[key])" :key="key"
        >{{ i ? ', ' : '' }}{{ name.toLowerCase() }} {{ money(data.cost[key]) }}</template
      >.<template v-if="data.minutes === null"> Its minutes were not written down.</template>
    </p>
    <UnpricedNote :names="data.unpriced" />
  </section>
</template>

<style scoped>
.cost {
  margin-bottom: var(--s4);
}

p {
  margin: 4px 0 0;
}
</style>
