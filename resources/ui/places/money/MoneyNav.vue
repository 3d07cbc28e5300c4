<script setup lang="ts">
import WaysOf from '@/parts/WaysOf.vue'

// What turns cost and what is asked for them.
const ways = [
  { to: '/book/money', name: 'What it costs' },
  { to: '/book/prices', name: 'Price list and rates' },
  { to: '/book/quotes', name: 'Quotes' },
]
</script>

<template>
  <p class="quiet small"><RouterLink to="/book">Book</RouterLink></p>
  <WaysOf title="Money" label="Money" :ways="ways" />
</template>
