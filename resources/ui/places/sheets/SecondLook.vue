<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from './fold'

// Nobody is perfect once: what the owner looks at first, ticked off one after the other.
const props = defineProps<{ step: Step; counts: Record<string, number> }>()
const emit = defineEmits<{ count: [what: string, by: number] }>()
const rows = computed(() =>
  props.step.looks.map((look) => {
    const what = `${props.step.id}/${look}`
    return { look, what, seen: (props.counts[what] ?? 0) > 0 }
  }),
)
</script>

<template>
  <fieldset v-if="rows.length">
    <legend>{{ $t('second-look.look-again') }}</legend>
    <label v-for="row in rows" :key="row.what" class="row" :class="{ seen: row.seen }">
      <input type="checkbox" :checked="row.seen" @change="emit('count', row.what, row.seen ? -1 : 1)" /> {{ row.look }}
    </label>
  </fieldset>
</template>

<style scoped>
label {
  min-height: 52px;
  border-top: 1px solid var(--line);
  cursor: pointer;
}

.seen {
  color: var(--ink-2);
  text-decoration: line-through;
  text-decoration-color: var(--film);
}
</style>
