<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '@/lib/units'
import { kindsSaid, numbers } from '@/lib/words'
import type { Stop } from './day'

// What is next, for whoever stands at the van: where, when, the gate, how long, what water.
const props = defineProps<{ stops: Stop[]; stop: Stop | null; minute: number; sheet: string | null }>()
const units = useUnits()
const begun = computed(() => props.stop !== null && props.minute >= props.stop.begins_min)
const besides = computed(() => (props.stop?.kinds ?? []).filter((kind) => kind !== 'wash'))
const left = computed(() => props.stops.filter((one) => props.stop && one.begins_min > props.stop.begins_min).length)
</script>

<template>
  <section v-if="stop" class="next" aria-label="Next stop">
    <p class="small">
      <strong>{{ begun ? 'Now' : 'Next' }}</strong> {{ stop.begins }} to {{ stop.ends }}
      <template v-if="stop.leg_min && !begun">, {{ stop.leg_min }} min on the road</template>
    </p>
    <h2>{{ stop.name }}</h2>
    <p>
      <strong>{{ stop.site?.name ?? 'no place' }}</strong>{{ stop.site?.hours ? `, ${stop.site.hours}` : ''
      }}<template v-if="stop.site?.access"><br />{{ stop.site.access }}</template>
    </p>
    <p v-for="one in stop.gate.filter((rule) => rule.grave)" :key="one.says" class="refused">{{ one.says }}</p>
    <p>
      about {{ stop.minutes }} min{{ stop.people > 1 ? ` for ${numbers[stop.people]}` : ''
      }}{{ stop.treated_l > 0 ? `, ${units.volume(stop.treated_l * 1000)} of treated water` : ''
      }}{{ besides.length ? `, with ${kindsSaid(besides)}` : '' }}
    </p>
    <p v-if="stop.problem" class="refused">Can’t be laid out as things stand: {{ stop.problem }}</p>
    <RouterLink v-if="sheet" :to="`/sheets/${sheet}`" class="act">Open its sheet</RouterLink>
    <p class="small quiet">{{ left === 0 ? 'The last one today.' : `${left} more after it.` }}</p>
  </section>
  <p v-else class="quiet">The last stop of the day is over.</p>
</template>

<style scoped>
.next {
  display: grid;
  gap: var(--s2);
  margin-bottom: var(--s4);
  padding: var(--s4);
  background: var(--sheet);
  border: 1px solid var(--line-strong);
  border-top: 4px solid var(--film);
  border-radius: var(--edge);
}

h2,
p {
  margin: 0;
}

h2 {
  font-size: 27px;
}

.act {
  min-height: 60px;
  font-size: 18px;
}
</style>
