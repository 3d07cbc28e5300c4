<script setup lang="ts">
import { computed } from 'vue'
import TickMany from './TickMany.vue'
import { asOptions } from '@/lib/options'
import { scopes, scopeZones } from '@/lib/words'
import Field from './Field.vue'
import OneOf from './OneOf.vue'

// What a visit takes in: one of three, or its own set.
defineProps<{ error?: string }>()
const scope = defineModel<string>({ required: true })
const own = computed(() => !(scope.value in scopes))
const kind = computed({
  get: () => (own.value ? 'own' : scope.value),
  set: (typed) => (scope.value = typed === 'own' ? 'paint,wheels,glass' : typed),
})
const parts = computed({
  get: () => scope.value.split(','),
  set: (typed) =>
    (scope.value =
      Object.keys(scopeZones)
        .filter((zone) => typed.includes(zone))
        .join(',') || 'paint'),
})
</script>

<template>
  <div class="grid">
    <Field label="A visit takes in" :error="error"
      ><template #default="f"><OneOf v-bind="f" v-model="kind" :options="{ ...scopes, own: 'Its own set' }" /></template
    ></Field>
    <TickMany v-if="own" v-model="parts" label="What it takes in" :options="asOptions(scopeZones)" />
  </div>
</template>
