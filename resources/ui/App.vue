<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import Frame from './parts/Frame.vue'

const route = useRoute()
// Before the first route is known, nothing is drawn and nothing is asked.
const known = computed(() => route.matched.length > 0)
const framed = computed(() => !route.meta.open)
</script>

<template>
  <!-- Another address is another thing, even where the same screen shows it. -->
  <Frame v-if="known && framed"><RouterView :key="route.path" /></Frame>
  <RouterView v-else />
</template>
