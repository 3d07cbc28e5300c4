<script setup lang="ts">
import { onMounted } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { useMe } from '@/lib/session'
import EditEnd from '@/parts/EditEnd.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SchoolPicks from './SchoolPicks.vue'

const { isOwner } = useMe()
const { form, problem, busy, load, save, newer, overrule, takeTheirs } = useEdit<Schemas['Workspace']>({
  load: () => toldWithTag(api.GET('/api/v1/workspace')),
  save: (row, tag) =>
    told(api.PATCH('/api/v1/workspace', { params: { header: { 'If-Match': tag } }, body: { schools: row.schools } })),
  touches: [[]],
})
onMounted(load)

async function again(work: Promise<boolean>) {
  if (await work) await load()
}
</script>

<template>
  <div class="page schools">
    <p class="quiet small"><RouterLink to="/workspace">Workspace</RouterLink></p>
    <h1>Schools</h1>
    <p>
      Good practitioners disagree on these. Take a side in each; a vehicle may have its own (under its details), and the
      <RouterLink to="/bench">bench</RouterLink> shows what another side would change today.
    </p>
    <ProblemNote v-if="!form" :problem="problem" />
    <form v-if="form" class="sheet grid" novalidate @submit.prevent="again(save())">
      <fieldset :disabled="!isOwner">
        <legend class="hidden-text">Sides of {{ form.name }}</legend>
        <SchoolPicks v-model="form.schools" />
      </fieldset>
      <p v-if="!isOwner" class="quiet">The owner takes the sides; you can try others on the bench.</p>
      <EditEnd
        v-else
        :problem="problem"
        :newer="newer"
        :mine="form"
        :busy="busy"
        @overrule="again(overrule())"
        @take="takeTheirs"
      />
    </form>
  </div>
</template>

<style scoped>
.schools {
  max-width: 980px;
}
</style>
