<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { daysUntil, fromToday, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { families } from '@/lib/words'
import WearAccount from './WearAccount.vue'

// The due date in words, its window, and why.
const props = defineProps<{ ribbon: Schemas['Ribbon']; mystery: boolean }>()
const { zone } = useMe()
const day = (at: string) => shortDay(at, zone.value)
const past = (at: string) => daysUntil(at, zone.value) < 0
const what = computed(
  () => props.ribbon.outermost?.name ?? families[props.ribbon.outermost?.family ?? 'bare']?.name ?? 'The layer',
)
</script>

<template>
  <div class="says">
    <template v-if="ribbon.state === 'failed' && ribbon.due_at">
      <p class="lead">
        <span class="due">{{ what }} is spent:</span> it no longer held on the clean surface on
        {{ day(ribbon.due_at) }}. Renew it on the next visit.
      </p>
    </template>
    <p v-else-if="ribbon.state === 'suspect'" class="lead">
      <span class="due">Clogged or spent?</span> {{ what }} no longer held on the clean surface. Decontaminate on the
      next visit and read the water again: renew it only if it still fails.
    </p>
    <template v-else-if="ribbon.due_at">
      <p class="lead">
        <template v-if="past(ribbon.due_at)"
          >{{ what }} was due on <span class="due">{{ day(ribbon.due_at) }}</span>,
          {{ fromToday(ribbon.due_at, zone) }}.</template
        >
        <template v-else
          >Renew {{ what }} by <span class="due">{{ day(ribbon.due_at) }}</span>,
          {{ fromToday(ribbon.due_at, zone) }}.</template
        >
        <span class="window">
          Worth doing from {{ day(ribbon.from_at ?? ribbon.due_at)
          }}<template v-if="ribbon.late_at">, late after {{ day(ribbon.late_at) }}</template
          >.</span
        >
      </p>
    </template>
    <p v-else-if="mystery" class="lead">
      Nobody knows what lies on the paint, so only what suits everything is let on it. Ask whoever sold or treated it,
      then add the layer below.
    </p>
    <p v-else-if="ribbon.state === 'bare'" class="lead">
      There is nothing on the paint to maintain. Suggest a sealant or a coating, then add it below.
    </p>
    <p v-else class="lead">By its habits this layer is not due in any time worth planning.</p>
    <details v-if="ribbon.why">
      <summary>Why then?</summary>
      <p class="quiet">{{ ribbon.why }}</p>
    </details>
    <WearAccount v-if="ribbon.account" :account="ribbon.account" />
    <p v-if="ribbon.next_wash_on" class="quiet small next">
      <template v-if="past(ribbon.next_wash_on)"
        >By its rhythm a wash has been due since {{ day(ribbon.next_wash_on) }}.</template
      >
      <template v-else
        >Next wash by its rhythm: {{ day(ribbon.next_wash_on) }}, {{ fromToday(ribbon.next_wash_on, zone) }}.</template
      >
    </p>
  </div>
</template>

<style scoped>
.lead {
  font: 500 19px/1.4 var(--book);
  margin-bottom: 2px;
}

.window {
  color: var(--ink-2);
}

summary {
  cursor: pointer;
  text-decoration: underline;
  text-underline-offset: 3px;
  padding: 6px 0;
}

.next {
  margin-bottom: var(--s3);
}
</style>
