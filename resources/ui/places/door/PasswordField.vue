<script setup lang="ts">
import Field from '@/parts/Field.vue'
import TextInput from '@/parts/TextInput.vue'

// A password: the one that is, or a new one with what is asked of it.
defineProps<{ label: string; known?: boolean; error?: string }>()
const password = defineModel<string>({ required: true })
</script>

<template>
  <Field
    :label="label"
    :hint="known ? undefined : 'At least twelve characters: a few words that have nothing to do with each other.'"
    :error="error"
  >
    <template #default="{ id, describedby }"
      ><TextInput
        :id="id"
        v-model="password"
        type="password"
        name="password"
        :autocomplete="known ? 'current-password' : 'new-password'"
        :describedby="describedby"
    /></template>
  </Field>
</template>
