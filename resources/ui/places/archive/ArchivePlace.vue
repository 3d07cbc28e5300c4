<script setup lang="ts">
import FilePick from '@/parts/FilePick.vue'
import { useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { api, told } from '@/api/client'
import { locale } from '@/lib/i18n'
import ProblemNote from '@/parts/ProblemNote.vue'
import ChangeList from './ChangeList.vue'
import { useArchiveRun } from './useArchiveRun'

// Nothing locked in: all of it as one documented file, and such a file into an empty workspace.
const queries = useQueryClient()
const name = ref('')
const despite = ref(false)
const shown = (count: number | null) => (count ?? 0).toLocaleString(locale())
const taking = useArchiveRun()
const { run, goesOn } = taking
const writing = useArchiveRun()
const written = writing.run
const taken = (status: string | undefined) =>
  status === 'done' && queries.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'archive-run' })
watch(() => run.value?.status, taken)
const make = () => writing.begin(async () => (await told(api.POST('/api/v1/archive/runs'))).id)
async function choose(file: File) {
  name.value = file.name
  const form = new FormData()
  form.set('file', file)
  if (despite.value) form.set('despite', '1')
  await taking.begin(
    async () =>
      (await told(api.POST('/api/v1/archive', { body: form as never, bodySerializer: (body) => body as never }))).id,
  )
}
</script>

<template>
  <div class="page narrow grid">
    <div>
      <p class="quiet small"><RouterLink to="/workspace">Settings</RouterLink></p>
      <h1>Export or import everything</h1>
    </div>
    <section class="sheet grid">
      <h2>Take all of it along</h2>
      <p>
        One ZIP: archive.json, described by a published schema, and every photo beside it. Owners, vehicles, layers,
        turns with their corrections, readings, stock, plans, prices: nothing is kept back but passwords and secret
        addresses.
      </p>
      <div class="row">
        <button type="button" class="beside" :disabled="writing.busy.value || writing.goesOn.value" @click="make">
          Write the archive
        </button>
        <a v-if="written?.status === 'done'" class="act" :href="`/api/v1/archive/runs/${written.id}/file`" download
          >Download it</a
        >
      </div>
      <ProblemNote :problem="writing.problem.value" />
      <p v-if="written && writing.goesOn.value" role="status">Writing: {{ Math.round(100 * written.progress) }} %</p>
      <p v-if="written?.status === 'refused'" role="alert">{{ written.says }}</p>
      <p v-if="written?.status === 'done'" role="status">
        <strong>It is written:</strong> {{ shown(written.rows) }} rows and {{ shown(written.photos) }} photos. It is
        kept for a day.
      </p>
    </section>
    <section class="sheet grid">
      <h2>Move in with an archive</h2>
      <p>
        Into a workspace without vehicles and owners only. Everything gets ids of its own; people who are named in it
        stay named and are invited anew.
      </p>
      <FilePick accept=".zip,application/zip" :disabled="taking.busy.value || goesOn" @take="choose">{{
        taking.busy.value ? 'Sending…' : name || 'Choose an archive…'
      }}</FilePick>
      <ElCheckbox v-model="despite" label="Also when pictures are missing or can’t be read" />
      <ProblemNote :problem="taking.problem.value" />
      <p v-if="run && goesOn" role="status">Taking it in: {{ Math.round(100 * run.progress) }} %</p>
      <p v-if="run?.status === 'refused'" role="alert">{{ run.says }}</p>
      <p v-if="run?.status === 'done'" role="status">
        <strong>It is all here:</strong> {{ shown(run.rows) }} rows and {{ shown(run.photos) }} photos.
        <RouterLink to="/">To the film</RouterLink>
      </p>
    </section>
    <section class="sheet grid">
      <h2>Tables</h2>
      <p>
        <RouterLink to="/book/files">Owners, places, vehicles, turns, readings</RouterLink> and
        <RouterLink to="/shelf/files">products</RouterLink> as CSV, out and in.
      </p>
    </section>
    <ChangeList />
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
