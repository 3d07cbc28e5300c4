<script setup lang="ts">
import { computed } from 'vue'

// The vehicle from the side, with the zone one is looking at filled in.
const props = defineProps<{ zone: string; body: string }>()
const tall = computed(() => ['van', 'minibus', 'coach', 'horsebox'].includes(props.body))
const upper = computed(() =>
  tall.value
    ? 'M12 50V16q0-8 8-8h128q14 2 22 18l8 18v6z'
    : 'M14 50q0-14 22-17l22-17q4-3 10-3h44q6 0 11 4l18 15q34 3 37 18z',
)
const lower = 'M12 50h168v12q0 5-6 5h-14a16 16 0 0 0-32 0H66a16 16 0 0 0-32 0H20q-8 0-8-6z'
</script>

<template>
  <svg viewBox="0 0 192 88" class="outline" aria-hidden="true">
    <path :d="upper" :class="{ here: zone === 'upper' }" />
    <path :d="lower" :class="{ here: zone === 'lower' }" />
    <path
      :d="tall ? 'M150 16q8 3 13 15h-20V16z' : 'M64 31l12-11q2-2 6-2h10v13zM98 18h12q4 0 7 3l11 10H98z'"
      class="glass"
    />
    <path d="M14 58h164" class="line" :class="{ trim: zone === 'trim' }" />
    <g v-for="x in [50, 144]" :key="x">
      <circle :cx="x" cy="68" r="15" class="tyre" />
      <circle :cx="x" cy="68" r="9" :class="{ here: zone === 'wheels' }" />
    </g>
  </svg>
</template>

<style scoped>
.outline {
  display: block;
  flex: none;
  height: 60px;
}

path,
circle {
  fill: var(--sheet);
  stroke: var(--ink-2);
  stroke-width: 1.8;
}

.here {
  fill: var(--film);
}

.glass {
  fill: var(--film-mist);
  stroke-width: 1;
}

.line {
  fill: none;
  stroke: var(--line-strong);
}

.trim {
  stroke: var(--film);
  stroke-width: 6;
}

.tyre {
  fill: var(--ink-2);
}
</style>
