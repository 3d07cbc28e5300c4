<script setup lang="ts">
import { computed } from 'vue'
import { scopes, scopeZones } from '@/lib/words'
import Field from './Field.vue'
import PlainSelect from './PlainSelect.vue'

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
      ><template #default="f"
        ><PlainSelect v-bind="f" v-model="kind" :options="{ ...scopes, own: 'Its own set' }" /></template
    ></Field>
    <fieldset v-if="own">
      <legend>What it takes in</legend>
      <div class="row">
        <label v-for="(name, zone) in scopeZones" :key="zone" class="row check"
          ><input v-model="parts" type="checkbox" :value="zone" /> {{ name }}</label
        >
      </div>
    </fieldset>
  </div>
</template>
