<script setup lang="ts">
import { computed } from 'vue'

// A piece of door with so much on it: dust, film, insects, grit, crust.
const props = defineProps<{ level: number }>()
const specks = computed(() => {
  const list = []
  // A fixed scatter, so that a level always looks the same.
  for (let i = 0; i < props.level * props.level * 4; i++) {
    const x = (i * 37 + 11) % 96
    const y = 14 + ((i * 23 + 7) % 30) * (0.55 + (i % 3) * 0.22)
    list.push({ x: x + 2, y: Math.min(46, y), r: 0.7 + (i % 4) * 0.35 * (props.level / 3) })
  }
  return list
})
</script>

<template>
  <svg viewBox="0 0 100 50" preserveAspectRatio="xMidYMid slice" class="soil" aria-hidden="true">
    <rect width="100" height="50" fill="var(--film-wash)" />
    <path d="M0 10Q50 2 100 9V50H0z" fill="var(--base)" opacity=".55" />
    <path
      d="M8 14Q40 8 70 12"
      stroke="#fff"
      :stroke-width="2.4 - level * 0.45"
      :opacity="Math.max(0, 0.95 - level * 0.19)"
      fill="none"
    />
    <path
      v-if="level >= 2"
      :d="`M0 ${44 - level * 5}Q50 ${38 - level * 5} 100 ${45 - level * 5}V50H0z`"
      fill="#7a6a4f"
      :opacity="level * 0.13"
    />
    <circle
      v-for="(speck, i) in specks"
      :key="i"
      :cx="speck.x"
      :cy="speck.y"
      :r="speck.r"
      fill="#5a4a33"
      :opacity="0.35 + level * 0.1"
    />
    <path v-if="level === 5" d="M0 34l9-4 12 5 15-6 14 6 17-5 13 6 11-4 9 3V50H0z" fill="#6b5637" />
  </svg>
</template>

<style scoped>
.soil {
  width: 100%;
  border-radius: 2px;
}
</style>
