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
    <ElCheckbox
      v-for="row in rows"
      :key="row.what"
      class="look"
      :model-value="row.seen"
      :class="{ seen: row.seen }"
      @change="emit('count', row.what, row.seen ? -1 : 1)"
      >{{ row.look }}</ElCheckbox
    >
  </fieldset>
</template>

<style scoped>
.look {
  display: flex;
  min-height: 52px;
  border-top: 1px solid var(--line);
}

.seen :deep(.el-checkbox__label) {
  color: var(--ink-2);
  text-decoration: line-through;
  text-decoration-color: var(--film);
}
</style>
