<script setup lang="ts">
// What sits on a panel, drawn as one would see it from half a metre.
defineProps<{ name: string }>()
</script>

<template>
  <svg viewBox="0 0 64 36" preserveAspectRatio="xMidYMid slice" class="contaminant" aria-hidden="true">
    <rect width="64" height="36" fill="var(--base)" opacity=".42" />
    <path d="M0 5Q32 0 64 4" stroke="var(--sheet)" stroke-width="1.4" fill="none" opacity=".8" />
    <g v-if="name === 'insects'" fill="#3a3323">
      <path d="M14 20l9-3 3 2-8 4zM13 19l-4-5 6 3zM20 24l3 6-5-5zM40 14l7-3 4 2-8 4zM39 13l-5-4 7 2zM47 17l3 5-5-4z" />
      <path d="M30 27l6-1 1 2-6 1z" opacity=".7" />
    </g>
    <g v-else-if="name === 'bird-lime'">
      <path d="M22 8c6-4 14-1 15 5 1 5 6 6 4 12-2 5-9 3-10-1-2 4-9 4-9-2 0-4-5-9 0-14z" fill="#eceae0" />
      <circle cx="29" cy="16" r="3.4" fill="#4b4a3c" />
      <circle cx="29" cy="17" r="12" fill="none" stroke="#4b4a3c" stroke-width=".8" stroke-dasharray="2 2" />
    </g>
    <g v-else-if="name === 'sap'" fill="#a9782a">
      <path d="M16 22a6 5 0 0 1 12 0zM36 26a4 3.4 0 0 1 8 0zM44 14a5 4.4 0 0 1 10 0z" opacity=".85" />
      <path d="M19 19q2-2 4-1M47 11q1-1 3-1" stroke="#f6e7bd" stroke-width="1.2" fill="none" />
    </g>
    <g v-else-if="name === 'tar'" fill="#171412">
      <circle cx="12" cy="24" r="2.2" />
      <circle cx="20" cy="18" r="1.3" />
      <circle cx="27" cy="27" r="2.8" />
      <path d="M34 20c4-1 8 0 12 3-4 0-9 1-12-3z" />
      <circle cx="50" cy="15" r="1.6" />
      <circle cx="44" cy="29" r="1.2" />
    </g>
    <g v-else-if="name === 'iron'">
      <g v-for="i in 11" :key="i">
        <circle :cx="((i * 23) % 60) + 2" :cy="((i * 13) % 28) + 5" r="1.9" fill="#a4502a" />
        <circle :cx="((i * 23) % 60) + 2" :cy="((i * 13) % 28) + 5" r=".8" fill="#2b1a14" />
      </g>
    </g>
    <g v-else-if="name === 'salt'">
      <path d="M0 24q8-5 16-1t16-2 16 2 16-2V36H0z" fill="#f4f4ef" opacity=".92" />
      <path d="M0 24q8-5 16-1t16-2 16 2 16-2" fill="none" stroke="#c9cdcb" stroke-width="1.2" />
    </g>
    <g v-else>
      <path
        v-for="i in 15"
        :key="i"
        :d="`M${((i * 17) % 60) + 2} ${((i * 11) % 20) + 10}l1.5-2 1.5 2z`"
        fill="#6d6456"
      />
      <path d="M36 36c0-9 4-14 9-14s8 5 8 14" fill="#e8cdb6" stroke="var(--ink-2)" stroke-width="1" />
    </g>
  </svg>
</template>

<style scoped>
.contaminant {
  width: 100%;
  display: block;
  border-radius: 2px;
}
</style>
