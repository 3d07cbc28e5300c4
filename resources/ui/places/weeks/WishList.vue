<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { shortDay } from '@/lib/dates'

// Clients who asked for another day: their visit is taken in hand and held over the day they wish for.
defineProps<{ wishes: Schemas['WeeksWish'][]; zone: string }>()
const emit = defineEmits<{ take: [wish: Schemas['WeeksWish']] }>()
</script>

<template>
  <ul v-if="wishes.length" class="plain" aria-label="Other days asked for">
    <li v-for="one in wishes" :key="one.visit_id">
      <strong>{{ one.vehicle }}</strong>: not {{ shortDay(one.on, zone)
      }}<template v-if="one.wish_on">, rather {{ shortDay(one.wish_on, zone) }}</template
      ><template v-if="one.wish">. “{{ one.wish }}”</template>
      <button type="button" class="words" @click="emit('take', one)">Take it in hand</button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0 0 var(--s3);
  padding: var(--s2) var(--s3);
  background: var(--film-mist);
}
</style>
