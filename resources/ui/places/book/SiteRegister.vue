<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import Field from '@/parts/Field.vue'
import DayInput from '@/parts/DayInput.vue'
import OneOf from '@/parts/OneOf.vue'
import TextInput from '@/parts/TextInput.vue'

// Who is let in: people of each crew, and until when their papers hold there.
defineProps<{ fields: Record<string, string> }>()
const only = defineModel<boolean>('only', { required: true })
const people = defineModel<Schemas['Admission'][]>('people', { required: true })
const { data: crews } = useQuery({ queryKey: ['crews'], queryFn: () => told(api.GET('/api/v1/crews')) })
const names = computed(() => Object.fromEntries((crews.value?.data ?? []).map((crew) => [crew.id, crew.name])))
function add() {
  people.value = [...people.value, { crew_id: Object.keys(names.value)[0] ?? '', person: '', valid_until: null }]
}
</script>

<template>
  <fieldset class="register">
    <legend>
      <ElCheckbox v-model="only">Only who is on the register is let in</ElCheckbox>
    </legend>
    <template v-if="only">
      <p v-if="!Object.keys(names).length" class="small">
        Say first who works when: <RouterLink to="/weeks/setup">crews and their hours</RouterLink>.
      </p>
      <div v-for="(one, i) in people" :key="i" class="one">
        <Field label="Person" :error="fields[`admissions.${i}.person`]"
          ><template #default="f"><TextInput v-bind="f" v-model="one.person" maxlength="120" /></template
        ></Field>
        <Field label="Goes with" :error="fields[`admissions.${i}.crew_id`]"
          ><template #default="f"><OneOf v-bind="f" v-model="one.crew_id" :options="names" /></template
        ></Field>
        <Field label="Papers until" :error="fields[`admissions.${i}.valid_until`]"
          ><template #default="f"><DayInput v-bind="f" v-model="one.valid_until" /></template
        ></Field>
        <button
          type="button"
          class="words"
          :aria-label="`take out ${one.person || 'this line'}`"
          @click="people = people.filter((_, at) => at !== i)"
        >
          take out
        </button>
      </div>
      <button v-if="Object.keys(names).length" type="button" class="words" @click="add">Put somebody on it</button>
      <p class="small quiet">The plan sends a crew there only as long as the papers of all its people on it hold.</p>
    </template>
  </fieldset>
</template>

<style scoped>
.register {
  margin: 0;
  padding: 0 0 var(--s2);
  border: 0;
}

legend {
  padding: 0;
}

.one {
  display: grid;
  grid-template-columns: 1.3fr 1.1fr 1.1fr auto;
  gap: var(--s3);
  align-items: end;
  margin-bottom: var(--s2);
}

@media (max-width: 700px) {
  .one {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
