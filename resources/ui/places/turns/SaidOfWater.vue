<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { parts, zones } from '@/lib/words'

// What the water of a turn said, with its consequences.
defineProps<{ diagnosis: Pick<Schemas['Diagnosis'], 'says' | 'now' | 'next_time' | 'parts'> & { zone?: string } }>()
const name = (part: string) => parts.find((one) => one.value === part)?.name ?? part
</script>

<template>
  <div>
    <p class="lead">
      <span v-if="diagnosis.zone && diagnosis.zone !== 'paint'" class="quiet">{{ zones[diagnosis.zone] }}: </span
      >{{ diagnosis.says }}
    </p>
    <dl v-if="diagnosis.now">
      <dt>Now</dt>
      <dd>{{ diagnosis.now }}</dd>
      <dt>Next time</dt>
      <dd>{{ diagnosis.next_time }}</dd>
    </dl>
    <section v-for="part in diagnosis.parts ?? []" :key="part.part" class="odd">
      <h3>{{ name(part.part) }}</h3>
      <p>{{ part.says }}</p>
      <dl>
        <dt>Now</dt>
        <dd>{{ part.now }}</dd>
        <dt>Next time</dt>
        <dd>{{ part.next_time }}</dd>
      </dl>
    </section>
  </div>
</template>

<style scoped>
.lead {
  font: 500 18px/1.4 var(--book);
  margin: 0 0 var(--s2);
}

dl {
  display: grid;
  grid-template-columns: 78px 1fr;
  gap: 4px var(--s3);
  margin: 0 0 var(--s2);
}

dt {
  color: var(--ink-3);
}

dd {
  margin: 0;
}

.odd {
  margin-top: var(--s2);
  padding-top: var(--s2);
  border-top: 1px solid var(--line);
}

h3,
.odd p {
  margin: 0 0 4px;
}
</style>
