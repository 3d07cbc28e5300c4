<script setup lang="ts">
// Where one is on the way round, and back to any of it.
defineProps<{ titles: string[]; index: number }>()
defineEmits<{ go: [index: number] }>()
</script>

<template>
  <ol class="marks" aria-label="Where you are">
    <li v-for="(title, i) in titles" :key="title">
      <button
        type="button"
        :aria-label="`${i + 1}: ${title}`"
        :aria-current="i === index ? 'step' : undefined"
        :class="{ done: i < index }"
        @click="$emit('go', i)"
      />
    </li>
  </ol>
</template>

<style scoped>
.marks {
  list-style: none;
  display: flex;
  gap: 4px;
  margin: var(--s2) 0 var(--s3);
  padding: 0;
}

.marks li {
  flex: 1;
}

.marks button {
  width: 100%;
  height: 24px;
  border: 0;
  padding: 9px 0;
  background: none;
  cursor: pointer;
}

.marks button::after {
  content: '';
  display: block;
  height: 6px;
  border-radius: 3px;
  background: var(--line-strong);
}

.marks .done::after {
  background: var(--film);
}

.marks [aria-current]::after {
  background: var(--ink);
}
</style>
