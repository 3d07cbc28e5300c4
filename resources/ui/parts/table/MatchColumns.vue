<script setup lang="ts">
import { computed } from 'vue'
import Field from '../Field.vue'
import OneOf from '../OneOf.vue'
import type { Sheet } from './columns'

// Which column of a file is which of ours, with what stands in its first rows.
const props = defineProps<{ sheet: Sheet; columns: string[] }>()
const matched = defineModel<Record<string, string>>({ required: true })
const emit = defineEmits<{ done: [] }>()
const heads = computed(() => Object.fromEntries(props.sheet.heads.map((head) => [head, head])))
const left = computed(() => props.sheet.heads.filter((head) => !Object.values(matched.value).includes(head)))
const sample = (head: string | undefined) =>
  props.sheet.rows
    .map((row) => (head ? row[head] : ''))
    .filter(Boolean)
    .slice(0, 3)
    .join(', ')
// A column of the file is one of ours at most.
const choose = (column: string, head: string) =>
  (matched.value = {
    ...Object.fromEntries(Object.entries(matched.value).map(([one, of]) => [one, of === head ? '' : of])),
    [column]: head,
  })
const name = (column: string) => column.replace(/_/g, ' ')
</script>

<template>
  <section class="grid" aria-label="Match the columns">
    <p><strong>Which column is which?</strong> What fits was guessed; change what does not.</p>
    <div class="pairs">
      <div v-for="column in columns" :key="column">
        <Field :label="name(column)" :optional="column !== columns[0]"
          ><template #default="f"
            ><OneOf
              v-bind="f"
              :model-value="matched[column] || null"
              :options="heads"
              none="not in the file"
              @update:model-value="(head) => choose(column, head ?? '')" /></template
        ></Field>
        <p class="small quiet">{{ sample(matched[column]) }}</p>
      </div>
    </div>
    <p v-if="left.length" class="small">Left out: {{ left.join(', ') }}.</p>
    <button type="button" class="act" :disabled="!matched[columns[0] ?? '']" @click="emit('done')">
      Look at the rows
    </button>
  </section>
</template>

<style scoped>
.pairs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(230px, 100%), 1fr));
  gap: var(--s3) var(--s4);
}

p {
  margin: 0;
}

.act {
  justify-self: start;
}
</style>
