<script setup lang="ts">
import { answered, refused } from '@/lib/reckon'
import { refDebounced } from '@vueuse/core'
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'

// A dilution as it stands on the label, said back as it was read.
defineProps<{ way: string; error?: string }>()
const text = defineModel<string | undefined>()
const names: Record<string, string> = {
  bucket: 'In the bucket',
  lance: 'At the panel, by lance',
  sprayer: 'In the pump sprayer',
  bottle: 'In the spray bottle',
  wheel: 'On wheels',
  tyre: 'On tyres',
}
const settled = refDebounced(
  computed(() => text.value?.trim() ?? ''),
  350,
)
const { data } = useQuery({
  queryKey: ['ratio', settled],
  enabled: computed(() => settled.value !== ''),
  queryFn: () => told(api.POST('/api/v1/reckon/ratio', { body: { text: settled.value, cap_ml: 10, pump_ml: 2 } })),
  staleTime: Infinity,
})
const fault = computed(() => refused(data.value))
const said = computed(() =>
  settled.value === '' ? '' : (answered<Schemas['ReckonRatio']>(data.value)?.read_as ?? fault.value?.message ?? ''),
)
const value = computed({
  get: () => text.value ?? '',
  set: (next) => (text.value = String(next).trim() === '' ? undefined : String(next)),
})
</script>

<template>
  <div class="line">
    <Field :label="names[way] ?? way" optional :error="error"
      ><template #default="f"><TextInput v-bind="f" v-model="value" maxlength="80" /></template
    ></Field>
    <p class="small" :class="{ refused: fault }" aria-live="polite">{{ said }}</p>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 260px 1fr;
  gap: var(--s4);
  align-items: end;
}

p {
  margin: 0 0 11px;
}

@media (max-width: 700px) {
  .line {
    grid-template-columns: 1fr;
    gap: 0;
  }
}
</style>
