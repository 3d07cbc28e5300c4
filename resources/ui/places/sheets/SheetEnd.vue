<script setup lang="ts">
import { outbox } from '@/offline/outbox'

defineProps<{ turn: string | null }>()
</script>

<template>
  <section class="grid">
    <h2>The turn is closed</h2>
    <p v-if="outbox.waiting">
      {{ outbox.waiting }} {{ outbox.waiting === 1 ? 'thing waits' : 'things wait' }} for a signal. They are kept on
      this phone and go out by themselves.
    </p>
    <p v-else>Everything has been sent.</p>
    <RouterLink v-if="turn" :to="`/turns/${turn}`" class="act">See the turn</RouterLink>
    <RouterLink to="/round" class="beside">To the round</RouterLink>
  </section>
</template>

<style scoped>
.act,
.beside {
  min-height: 58px;
}
</style>
