<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { daysUntil, fromToday, shortDay } from '@/lib/dates'
import { useMe } from '@/lib/session'
import { zones } from '@/lib/words'

// How the turn moved the dates: renewed, put off, brought forward.
const props = defineProps<{ before: Schemas['DueDate'][]; after: Schemas['DueDate'][] }>()
const { zone } = useMe()
const moves = computed(() =>
  props.after.map((now) => {
    const same = props.before.find((was) => was.layer_id === now.layer_id)
    const was = same ?? props.before.find((other) => other.zone === now.zone && other.kind === now.kind)
    const by = was?.due && now.due ? daysUntil(now.due, zone.value) - daysUntil(was.due, zone.value) : null
    return { ...now, was: was?.due ?? null, renewed: !same, by }
  }),
)
const moved = (by: number) => `${Math.abs(by)} ${Math.abs(by) === 1 ? 'day' : 'days'} ${by > 0 ? 'later' : 'sooner'}`
</script>

<template>
  <ul v-if="moves.length">
    <li v-for="move in moves" :key="move.layer_id">
      <strong>{{ move.name }}</strong>
      <span class="quiet">({{ zones[move.zone]?.toLowerCase() }}, {{ move.kind }})</span>:
      <template v-if="move.due">
        renew by <strong>{{ shortDay(move.due, zone) }}</strong>, {{ fromToday(move.due, zone)
        }}<template v-if="move.renewed && move.was">; the one before was due {{ shortDay(move.was, zone) }}</template
        ><template v-else-if="move.renewed">; new on</template
        ><template v-else-if="move.by">, {{ moved(move.by) }} than before</template
        ><template v-else>, as before</template>.
      </template>
      <template v-else>no date in any time worth planning.</template>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0 0 var(--s2);
  padding-left: 1.1em;
}
</style>
