<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { textiles as words } from '@/lib/words'

// Towels, sides and mitts, counted as they are used, with a wet thumb.
const props = defineProps<{ textiles: Schemas['Textiles']; counts: Record<string, number> }>()
const emit = defineEmits<{ count: [what: string, by: number] }>()
const rows = computed(() =>
  Object.entries(props.textiles).map(([what, planned]) => ({
    what,
    planned: Number(planned),
    name: words[what] ?? what,
    used: props.counts[what] ?? 0,
  })),
)
</script>

<template>
  <ul v-if="rows.length" class="textiles" :aria-label="$t('textile-count.towels-and-mitts-used')">
    <li v-for="row in rows" :key="row.what">
      <span
        ><strong>{{ row.name }}</strong>
        <span class="small quiet">{{ $t('textile-count.planned', { planned: row.planned }) }}</span></span
      >
      <button
        type="button"
        class="beside"
        :disabled="row.used === 0"
        :aria-label="$t('textile-count.one-less', { name: row.name })"
        @click="emit('count', row.what, -1)"
      >
        −
      </button>
      <output :aria-label="`${row.name} used`">{{ row.used }}</output>
      <button
        type="button"
        class="beside"
        :aria-label="$t('textile-count.one-more', { name: row.name })"
        @click="emit('count', row.what, 1)"
      >
        +
      </button>
    </li>
  </ul>
</template>

<style scoped>
.textiles {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 1fr 56px 44px 56px;
  gap: var(--s2);
  align-items: center;
  padding: 4px 0;
  border-top: 1px solid var(--line);
}

li > span {
  display: grid;
}

button {
  min-height: 52px;
  font-size: 24px;
  padding: 0;
}

output {
  text-align: center;
  font: 700 22px var(--text);
  font-variant-numeric: tabular-nums;
}
</style>
