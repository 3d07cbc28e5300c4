<script setup lang="ts">
import { useDeed } from '@/lib/deed'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { kindsSaid } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'

// What the day itself forbids: visits that can't be worked are moved, of the others one is asked what to do.
const props = defineProps<{ stops: Schemas['RoundStop'][] }>()
const queries = useQueryClient()
const { busy, problem, attempt } = useDeed()
const said = ref<string | null>(null)
const cannot = computed(() => props.stops.filter((stop) => stop.problem && stop.visit_id))
const partly = computed(() => props.stops.filter((stop) => !stop.problem && stop.visit_id && stop.loses.length))

async function move(stops: Schemas['RoundStop'][]) {
  await attempt(async () => {
    for (const stop of stops) {
      if (!stop.visit_id) continue
      const body = { by: 'weather' as const, why: stop.problem ?? 'Not in this weather', again: true }
      await told(api.POST('/api/v1/weeks/visits/{visit}/cancel', { params: { path: { visit: stop.visit_id } }, body }))
    }
    said.value = `${stops.map((stop) => stop.name).join(', ')}: another day is looked for, and stands in Weeks.`
  })
  // Also where one of several could not be moved: those before it were.
  await queries.invalidateQueries({ queryKey: ['round'] })
  await queries.invalidateQueries({ queryKey: ['weeks'] })
}
</script>

<template>
  <section v-if="cannot.length || partly.length || said" class="not" aria-label="What this day forbids">
    <ProblemNote :problem="problem" />
    <p v-if="said" role="status">{{ said }}</p>
    <template v-if="cannot.length">
      <h2>Not on this day</h2>
      <ul>
        <li v-for="stop in cannot" :key="stop.vehicle_id">
          <strong>{{ stop.name }}</strong> {{ stop.problem }}
        </li>
      </ul>
      <button type="button" class="act" :disabled="busy" @click="move(cannot)">
        Move {{ cannot.length === 1 ? cannot[0]?.name : `these ${cannot.length}` }} to another day
      </button>
    </template>
    <template v-if="partly.length">
      <h2>Only in part</h2>
      <ul>
        <li v-for="stop in partly" :key="stop.vehicle_id" class="row">
          <span
            ><strong>{{ stop.name }}</strong> without {{ kindsSaid(stop.loses) }}: washed today, the plan takes up the
            rest.</span
          >
          <button type="button" class="beside" :disabled="busy" @click="move([stop])">Move the whole visit</button>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.not {
  margin-bottom: var(--s4);
  padding: var(--s3) var(--s4);
  border-left: 4px solid var(--due);
  background: var(--due-wash);
}

h2 {
  margin: 0 0 4px;
  font-size: 18px;
}

ul {
  margin: 0 0 var(--s2);
  padding-left: 18px;
}

p {
  margin: 0 0 4px;
}
</style>
