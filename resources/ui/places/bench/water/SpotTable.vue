<script setup lang="ts">
import { each } from '@/lib/reckon'
import { locale } from '@/lib/i18n'
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { tones } from '@/lib/words'
import { spots } from '@/places/bench/words'

// What this water leaves on which colour, beaded or sheeted, and what to do about it.
const props = defineProps<{ tds: number | null; where: string }>()
const rows = [
  { name: 'White and pale', light: true, tones: ['white', 'silver'] },
  { name: 'Mid, dark and black', light: false, tones: ['mid', 'dark', 'black'] },
]
const films = [
  { name: 'beaded', kg: 0.05 },
  { name: 'sheeted', kg: 0.1 },
]
const ask = computed(() =>
  rows.flatMap((row) =>
    films.map((film) => ({ tds_mg_l: props.tds ?? 0, film_kg_m2: film.kg, light_paint: row.light })),
  ),
)
const { data } = useQuery({
  queryKey: ['spots', ask],
  enabled: computed(() => props.tds !== null),
  queryFn: async () => each<Schemas['ReckonSpots']>(await told(api.POST('/api/v1/reckon/spots', { body: ask.value }))),
  placeholderData: keepPreviousData,
  staleTime: Infinity,
})
const cell = (row: number, film: number) => data.value?.[row * films.length + film]
const advice = computed(() => {
  const worst = cell(1, 0)?.visibility
  if (!worst) return ''
  if (worst === 'none') return 'The tap may come last on any colour; let it dry where it stands.'
  if (worst === 'faint') return 'Dry what is dark at once; pale paint forgives it.'
  return 'Treated water last on anything dark; where there is none, rinse and dry panel by panel, horizontals first.'
})
</script>

<template>
  <section class="sheet grid">
    <h2>What it would leave</h2>
    <p v-if="tds === null" class="quiet">With a first reading of the tap, it stands here.</p>
    <template v-else>
      <p class="small quiet">{{ tds.toLocaleString(locale()) }} mg/l, {{ where }}</p>
      <table class="listed">
        <thead>
          <tr>
            <th scope="col">Paint</th>
            <th v-for="film in films" :key="film.name" scope="col">Left {{ film.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="row.name">
            <th scope="row">
              <span
                v-for="tone in row.tones"
                :key="tone"
                class="dot"
                :style="{ background: tones[tone]?.colour }"
                aria-hidden="true"
              />
              {{ row.name }}
            </th>
            <td v-for="(film, j) in films" :key="film.name">
              {{ spots[cell(i, j)?.visibility ?? ''] ?? '…' }}
              <span class="small quiet">{{ cell(i, j)?.residue_mg_m2.toFixed(1) }} mg/m²</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p>{{ advice }}</p>
    </template>
  </section>
</template>

<style scoped>
tbody th {
  font-weight: 600;
}

.dot {
  display: inline-block;
  width: 12px;
  height: 12px;
  border-radius: 50%;
  border: 1px solid var(--line-strong);
  margin-right: 3px;
}

p {
  margin: 0;
}
</style>
