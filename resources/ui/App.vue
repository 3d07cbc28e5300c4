<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import Frame from './parts/Frame.vue'

const route = useRoute()
const framed = computed(() => !route.meta.open)
</script>

<template>
  <Frame v-if="framed"><RouterView /></Frame>
  <RouterView v-else />
</template>
