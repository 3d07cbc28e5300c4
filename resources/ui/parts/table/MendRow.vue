<script setup lang="ts">
import { ref } from 'vue'
import Field from '../Field.vue'
import TextInput from '../TextInput.vue'

// A row of a file that can't be taken as it is, mended where it stands.
const props = defineProps<{ row: Record<string, string>; errors: Record<string, string> }>()
const emit = defineEmits<{ mended: [row: Record<string, string>]; leave: [] }>()
const cells = ref({ ...props.row })
</script>

<template>
  <form class="mend" novalidate aria-label="Mend the row" @submit.prevent="emit('mended', cells)">
    <div class="cells">
      <Field
        v-for="(cell, column) in row"
        :key="column"
        :label="String(column).replace(/_/g, ' ')"
        :error="errors[column]"
        ><template #default="f"
          ><TextInput
            v-bind="f"
            :model-value="cells[column] ?? cell"
            @update:model-value="cells[column] = $event ?? ''"
        /></template>
      </Field>
    </div>
    <div class="row">
      <button type="submit" class="act">Look again</button>
      <button type="button" class="words" @click="emit('leave')">Cancel</button>
    </div>
  </form>
</template>

<style scoped>
.mend {
  display: grid;
  gap: var(--s3);
  padding: var(--s3) 0;
}

.cells {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(180px, 100%), 1fr));
  gap: var(--s3);
}
</style>
