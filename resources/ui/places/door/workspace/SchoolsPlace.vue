<script setup lang="ts">
import { onMounted } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { useMe } from '@/lib/session'
import EditForm from '@/parts/EditForm.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SchoolPicks from './SchoolPicks.vue'

const { isOwner } = useMe()
const edit = useEdit<Schemas['Workspace']>({
  load: () => toldWithTag(api.GET('/api/v1/workspace')),
  save: (row, tag) =>
    told(api.PATCH('/api/v1/workspace', { params: { header: { 'If-Match': tag } }, body: { schools: row.schools } })),
  touches: [[]],
})
onMounted(edit.load)
</script>

<template>
  <div class="page schools">
    <p class="quiet small"><RouterLink to="/workspace">Settings</RouterLink></p>
    <h1>Schools</h1>
    <p>
      Good practitioners disagree on these. Take a side in each; a vehicle may have its own (under its details), and the
      <RouterLink to="/bench">bench</RouterLink> shows what another side would change today.
    </p>
    <EditForm v-if="isOwner" class="sheet" :edit="edit" @done="edit.load">
      <template #default="{ form }">
        <fieldset>
          <legend class="hidden-text">Sides of {{ form.name }}</legend>
          <SchoolPicks v-model="form.schools" />
        </fieldset>
      </template>
    </EditForm>
    <section v-else class="sheet grid">
      <fieldset v-if="edit.form" disabled>
        <legend class="hidden-text">Sides of {{ edit.form.name }}</legend>
        <SchoolPicks :model-value="edit.form.schools" />
      </fieldset>
      <ProblemNote :problem="edit.problem" />
      <p class="quiet">The owner takes the sides; you can try others on the bench.</p>
    </section>
  </div>
</template>

<style scoped>
.schools {
  max-width: 980px;
}
</style>
