<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, toRef } from 'vue'
import { api, Problem, told, type Schemas } from '@/api/client'
import { families, zones } from '@/lib/words'
import FitMark from './FitMark.vue'

// What the product, as typed so far, would fit: by family, and on which of your vehicles it would be refused.
const props = defineProps<{ typed: Schemas['ProductInput'] }>()
const asked = refDebounced(
  computed(() => JSON.stringify(props.typed)),
  350,
)
const { data, error } = useQuery({
  queryKey: ['preview', asked],
  queryFn: () =>
    told(api.POST('/api/v1/products/preview', { body: JSON.parse(asked.value) as Schemas['ProductInput'] })),
  enabled: computed(() => Boolean(toRef(props, 'typed').value.name)),
  placeholderData: keepPreviousData,
  retry: false,
})
const warnings = (cell: Schemas['FitCell']) => cell.remarks.filter((remark) => remark.severity === 'warn').length
const verdict = (cell: Schemas['FitCell']) => (!cell.allowed ? 'ruled out' : warnings(cell) ? 'with care' : 'fits')
const waiting = computed(() => error.value instanceof Problem)
</script>

<template>
  <section class="sheet grid" aria-live="polite">
    <h2>What it would fit</h2>
    <p v-if="waiting" class="quiet">Once the marked fields are right, it stands here.</p>
    <p v-else-if="!data" class="quiet">With a name and a use, it stands here.</p>
    <template v-else>
      <p>
        <strong>Fits {{ data.fits }} of your {{ data.of }} vehicles</strong> ({{
          zones[data.zone]?.toLowerCase()
        }})<template v-if="data.refused.length"
          >; refused on: {{ data.refused.map((row) => row.name).join(', ') }}</template
        >.
        <template v-if="data.warned.length"
          >With care on: {{ data.warned.map((row) => row.name).join(', ') }}.</template
        >
      </p>
      <ul class="plain">
        <li v-for="cell in data.cells" :key="cell.family">
          <FitMark :allowed="cell.allowed" :warnings="warnings(cell)" />
          <span
            ><strong>{{ families[cell.family]?.name }}</strong> {{ verdict(cell) }}
            <span class="small quiet">{{ cell.remarks.map((remark) => remark.says).join(' ') }}</span></span
          >
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
p {
  margin: 0;
}

ul {
  display: grid;
  grid-template-columns: 1fr;
  gap: 4px var(--s4);
}

li {
  display: flex;
  gap: var(--s2);
  line-height: 1.35;
}

li svg {
  flex: none;
}
</style>
