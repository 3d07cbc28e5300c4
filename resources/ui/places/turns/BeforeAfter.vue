<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { zones } from '@/lib/words'

// Photos by zone: before on the left, after on the right, what came between under them.
const props = defineProps<{ photos: Schemas['Photo'][]; vehicle: string }>()
const { zone: timeZone } = useMe()
const rows = computed(() =>
  Object.keys(zones)
    .map((zone) => {
      const here = props.photos.filter((photo) => photo.zone === zone)
      const of = (stage: string) => here.filter((photo) => photo.stage === stage)
      return { zone, before: of('before'), during: of('during'), after: of('after'), any: here.length > 0 }
    })
    .filter((row) => row.any),
)
const words: Record<string, string> = { before: 'Before', during: 'During', after: 'After' }
const alt = (photo: Schemas['Photo']) => `${props.vehicle}, ${zones[photo.zone]?.toLowerCase()}, ${photo.stage}`
</script>

<template>
  <section v-if="rows.length" class="sheet photos" aria-label="Photos">
    <h2>Before and after</h2>
    <div v-for="row in rows" :key="row.zone" class="pair">
      <h3>{{ zones[row.zone] }}</h3>
      <div v-for="side in ['before', 'after'] as const" :key="side">
        <figure v-for="photo in row[side]" :key="photo.id">
          <a :href="photo.url" target="_blank" rel="noopener"
            ><img :src="photo.url" :alt="alt(photo)" :width="photo.width" :height="photo.height" loading="lazy"
          /></a>
          <figcaption class="small">
            {{ words[side] }} <span class="quiet">{{ dayAndTime(photo.taken_at, timeZone) }}</span>
          </figcaption>
        </figure>
        <p v-if="!row[side].length" class="small quiet none">No photo {{ side }}.</p>
      </div>
      <div v-if="row.during.length" class="between">
        <figure v-for="photo in row.during" :key="photo.id">
          <a :href="photo.url" target="_blank" rel="noopener"
            ><img :src="photo.url" :alt="alt(photo)" loading="lazy"
          /></a>
          <figcaption class="small">During</figcaption>
        </figure>
      </div>
    </div>
  </section>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--s2);
}

h3,
.between {
  grid-column: 1 / -1;
}

.between {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: var(--s2);
}

figure {
  margin: 0 0 var(--s2);
}

img {
  display: block;
  width: 100%;
  height: auto;
  aspect-ratio: 3 / 2;
  object-fit: cover;
  border-radius: var(--edge);
}

.none {
  margin: 0;
  padding: var(--s4);
  border: 1px dashed var(--line-strong);
}
</style>
