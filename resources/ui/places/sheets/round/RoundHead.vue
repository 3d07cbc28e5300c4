<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import DayInput from '@/parts/DayInput.vue'
import Field from '@/parts/Field.vue'
import OneOf from '@/parts/OneOf.vue'

// Which day, and who else goes: at hand at the desk, out of the way on a phone.
defineProps<{ others: Record<string, string> }>()
const on = defineModel<string>('on', { required: true })
const emit = defineEmits<{ add: [id: string] }>()
const phone = useMediaQuery('(max-width: 700px)')
</script>

<template>
  <header class="row head">
    <h1>Round</h1>
    <RouterLink to="/round/load" class="words">Into the van: load, mix, wash, buy</RouterLink>
    <details :open="!phone">
      <summary v-show="phone">Another day, or who else goes</summary>
      <div class="row fields">
        <Field label="Day"
          ><template #default="f"><DayInput v-bind="f" v-model="on" required /></template
        ></Field>
        <Field label="Add a vehicle" class="not-on-paper"
          ><template #default="f"
            ><OneOf
              v-bind="f"
              :model-value="null"
              :options="others"
              none="Who else goes?"
              @update:model-value="(id: string | null | undefined) => id && emit('add', id)" /></template
        ></Field>
      </div>
    </details>
  </header>
</template>

<style scoped>
.head {
  gap: var(--s3) var(--s5);
  align-items: flex-end;
  justify-content: space-between;
  margin-bottom: var(--s3);
}

.fields {
  gap: var(--s4);
  align-items: flex-end;
}

summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
  text-decoration: underline;
}

@media (max-width: 700px) {
  details {
    flex: 1 1 100%;
  }

  .fields :deep(.field) {
    flex: 1 1 100%;
  }
}
</style>
