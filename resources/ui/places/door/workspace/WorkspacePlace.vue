<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { onMounted } from 'vue'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { fieldsOf } from '@/lib/form'
import { languages } from '@/lib/i18n'
import { useLanguage, useMe, useTheme } from '@/lib/session'
import Choices from '@/parts/Choices.vue'
import EditForm from '@/parts/EditForm.vue'
import RowFields from '@/parts/RowFields.vue'
import Months from '@/parts/Months.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import EndWorkspace from './EndWorkspace.vue'
import MessageList from './MessageList.vue'
import PeopleList from './PeopleList.vue'
import TokenList from './TokenList.vue'

const { me, isOwner } = useMe()
const { theme, choose } = useTheme()
const { language, choose: chooseLanguage } = useLanguage()
const queries = useQueryClient()
const edit = useEdit<Schemas['Workspace']>({
  load: () => toldWithTag(api.GET('/api/v1/workspace')),
  save: (row, tag) =>
    told(
      api.PATCH('/api/v1/workspace', {
        params: { header: { 'If-Match': tag } },
        body: {
          name: row.name,
          time_zone: row.time_zone,
          units: row.units,
          hardness_unit: row.hardness_unit,
          salt_months: row.salt_months,
        },
      }),
    ),
  touches: [[]],
})
onMounted(edit.load)

const zones = Object.fromEntries(Intl.supportedValuesOf('timeZone').map((name) => [name, name.replaceAll('_', ' ')]))
const units = [
  { value: 'metric' as const, name: 'Metric', says: 'Litres, °C, km' },
  { value: 'us' as const, name: 'US', says: 'Fluid ounces, °F, miles' },
  { value: 'imperial' as const, name: 'Imperial', says: 'Imperial ounces, °C, miles' },
]
const hardnesses = {
  'mg/l': 'mg/l of calcium carbonate',
  ppm: 'ppm',
  '°dH': '°dH, German degrees',
  '°fH': '°fH, French degrees',
  '°e': '°e, English degrees (Clark)',
  gpg: 'gpg, grains a US gallon',
}
const ask = fieldsOf<Schemas['Workspace']>()(
  { name: 'name', label: 'Name', as: 'text', longest: 120 },
  { name: 'time_zone', label: 'Time zone', as: 'one', options: zones },
  { name: 'hardness_unit', label: 'Hardness of water in', as: 'one', options: hardnesses },
)
const themes = [
  { value: 'auto' as const, name: 'As the device' },
  { value: 'light' as const, name: 'Light' },
  { value: 'dark' as const, name: 'Dark' },
]

async function enter(id: string) {
  await told(api.POST('/api/v1/workspaces/{id}/enter', { params: { path: { id } } }))
  queries.clear()
  location.assign('/')
}
</script>

<template>
  <div class="page narrow grid">
    <h1>Settings</h1>
    <section class="sheet grid">
      <Choices
        label="Light or dark, for you"
        compact
        :options="themes"
        :model-value="theme"
        @update:model-value="(next) => next && choose(next)"
      />
      <Choices
        label="What you read sheets in"
        compact
        :options="languages"
        :model-value="language"
        @update:model-value="(next) => next && chooseLanguage(next)"
      />
      <p class="schools">
        <RouterLink to="/workspace/account" class="beside">Your account</RouterLink>
        <span class="small quiet">Name, address, password, a code beside it, where you are signed in, going</span>
      </p>
      <div v-if="(me?.workspaces.length ?? 0) > 1" class="row">
        <strong>You also work in</strong>
        <button
          v-for="other in me?.workspaces.filter((one) => one.id !== me?.workspace.id)"
          :key="other.id"
          type="button"
          class="beside"
          @click="enter(other.id)"
        >
          {{ other.name }}
        </button>
      </div>
    </section>

    <EditForm v-if="isOwner" class="sheet" :edit="edit" @done="edit.load">
      <template #default="{ form, errors }">
        <RowFields :row="form" :ask="ask" :errors="errors" :columns="2" />
        <Choices v-model="form.units" label="Units" :options="units" :columns="3" />
        <Months
          v-model="form.salt_months"
          label="Roads are salted here in"
          hint="Vehicles go by these months unless they have their own. Changing them moves dates."
        />
        <p class="schools">
          <RouterLink to="/workspace/schools" class="beside">Schools</RouterLink>
          <span class="small quiet"
            >What touches the paint, when the topper goes on, wax on coatings, how cautious the dates are …</span
          >
        </p>
        <p class="schools">
          <RouterLink to="/workspace/numbers" class="beside">Numbers</RouterLink>
          <span class="small quiet"
            >What wears a layer, how dirty is too dirty, what a late day costs: your own where you know better</span
          >
        </p>
        <p class="schools">
          <RouterLink to="/workspace/archive" class="beside">Export or import everything</RouterLink>
          <span class="small quiet">The whole workspace as one file, tables, and who changed what</span>
        </p>
        <p class="schools">
          <RouterLink to="/workspace/trail" class="beside">Sign-ins</RouterLink>
          <span class="small quiet">Who came in or tried to, and what leads in from outside</span>
        </p>
      </template>
    </EditForm>
    <ProblemNote v-else :problem="edit.problem" />

    <!-- Not before what stands above them: what arrives late would push them from under the finger. -->
    <PeopleList v-if="!isOwner || edit.form || edit.problem" />
    <template v-if="isOwner && (edit.form || edit.problem)">
      <TokenList />
      <MessageList />
      <EndWorkspace />
    </template>
  </div>
</template>

<style scoped>
.schools {
  display: flex;
  gap: var(--s3);
  align-items: center;
  margin: 0;
}
</style>
