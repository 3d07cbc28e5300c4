<script setup lang="ts">
import type { Schemas } from '@/api/client'

// How one stands in each judgement: the film is thick where one was right lately.
defineProps<{ standing: Schemas['DrillStanding'][]; focus: string }>()
const names: Record<string, string> = { method: 'Method', soap: 'Soap', drying: 'Drying', topper: 'Topper' }
</script>

<template>
  <section class="sheet" aria-label="How you stand">
    <h2>How you stand</h2>
    <ul class="lines">
      <li v-for="one in standing" :key="one.judgement">
        <span
          ><strong>{{ names[one.judgement] }}</strong
          ><span v-if="one.judgement === focus" class="small quiet"> · this one is about it</span
          ><span class="small quiet block"
            ><template v-if="one.asked">{{ one.right }} of {{ one.asked }} right, level {{ one.level }} of 4</template
            ><template v-else>not asked yet</template></span
          ></span
        >
        <svg width="92" height="22" viewBox="0 0 92 22" aria-hidden="true">
          <path v-if="one.asked" :d="`M0 18V${18 - 15 * one.lately}H92V18z`" class="film" />
          <path d="M0 19.500H92" class="base" />
        </svg>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.film {
  fill: var(--film);
}

.base {
  stroke: var(--base);
  stroke-width: 3;
}
</style>
