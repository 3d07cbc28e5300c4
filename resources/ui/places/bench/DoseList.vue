<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Vessel from '@/film/Vessel.vue'
import { useUnits } from '@/lib/units'
import ProblemNote from '@/parts/ProblemNote.vue'

// What to mix for this turn, in the order of filling, each vessel with its marks.
const props = defineProps<{ ask: Schemas['BenchInput'] }>()
const units = useUnits()
const { data, error } = useQuery({
  queryKey: ['doses', () => props.ask],
  queryFn: () => told(api.POST('/api/v1/bench/doses', { body: props.ask })),
  placeholderData: keepPreviousData,
})
const neat = (fill: Schemas['DoseFill']) => fill.product_ml !== null && fill.product_ml >= fill.mix_ml - 0.05
const fills = computed(() => (data.value?.fills ?? []).filter((fill) => !neat(fill)))
const ready = computed(() => (data.value?.fills ?? []).filter(neat))
const kinds: Record<string, string> = {
  bucket: 'a bucket',
  sprayer: 'a pump sprayer',
  bottle: 'a spray bottle',
  lance: 'the lance’s bottle',
}
</script>

<template>
  <section class="doses">
    <ProblemNote :problem="error" />
    <ol v-if="fills.length">
      <li v-for="fill in fills" :key="fill.kind + fill.product">
        <Vessel
          :kind="fill.kind"
          :filled="Math.min(1, fill.mix_ml / (fill.vessel_ml ?? fill.mix_ml / 0.85))"
          :product="fill.product_id === null ? 0 : (fill.product_ml ?? 0) / fill.mix_ml"
          :water-first="fill.kind === 'lance'"
          bare
        />
        <div>
          <strong>{{ fill.product }}</strong>
          <span class="small quiet"> {{ fill.for.toLowerCase() }}, {{ fill.vessel ?? kinds[fill.kind] }}</span>
          <p v-if="fill.product_id === null">{{ units.volume(fill.mix_ml) }}</p>
          <p v-else-if="fill.product_ml === null && fill.product_low_ml !== null">
            between {{ units.volume(fill.product_low_ml) }} and {{ units.volume(fill.product_high_ml ?? 0) }} in
            {{ units.volume(fill.mix_ml) }}
          </p>
          <p v-else>
            {{ units.volume(fill.product_ml ?? 0) }} of product, water to {{ units.volume(fill.mix_ml)
            }}{{ fill.times > 1 ? `, ${fill.times} times` : '' }}
          </p>
          <p v-if="fill.says" class="small refused">{{ fill.says }}</p>
        </div>
      </li>
    </ol>
    <p v-else-if="data" class="quiet">Nothing to mix.</p>
    <p v-if="ready.length" class="small ready">
      <strong>As they come:</strong>
      {{ ready.map((fill) => `${fill.product}, ${units.volume(fill.mix_ml)}`).join('; ') }}.
    </p>
  </section>
</template>

<style scoped>
.doses {
  margin-top: var(--s4);
}

ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: var(--s3);
}

li {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  gap: var(--s3);
  align-items: center;
}

p {
  margin: 0;
}

.ready {
  margin-top: var(--s3);
}
</style>
