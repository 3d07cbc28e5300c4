<script setup lang="ts">
import { computed } from 'vue'
import type { Point } from './marks'

// What lies under the finger, four times as large, in the corner where the finger is not.
const props = defineProps<{ picture: { url: string; w: number; h: number }; at: Point | null }>()
const REACH = 26
const view = computed(() =>
  props.at ? `${props.at[0] - REACH} ${props.at[1] - REACH} ${2 * REACH} ${2 * REACH}` : '0 0 1 1',
)
const left = computed(() => (props.at?.[0] ?? 0) > props.picture.w / 2)
</script>

<template>
  <svg v-if="at" :viewBox="view" class="loupe" :class="{ left }" aria-hidden="true">
    <image :href="picture.url" :width="picture.w" :height="picture.h" />
    <path :d="`M${at[0] - REACH} ${at[1]}h${2 * REACH}M${at[0]} ${at[1] - REACH}v${2 * REACH}`" />
  </svg>
</template>

<style scoped>
.loupe {
  position: absolute;
  top: 8px;
  right: 8px;
  width: 132px;
  height: 132px;
  border-radius: 50%;
  border: 3px solid #fff;
  background: #000;
  pointer-events: none;
}

.left {
  right: auto;
  left: 8px;
}

path {
  stroke: #ffd24a;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
</style>
