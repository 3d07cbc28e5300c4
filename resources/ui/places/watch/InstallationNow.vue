<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { dayAndTime } from '@/lib/dates'
import { ago } from './ago'

// How an installation fares, room by room: what is wrong stands first, in words.
const props = defineProps<{ now: Schemas['Installation']; zone: string; busy: boolean }>()
const emit = defineEmits<{ again: [id: string]; drop: [id: string] }>()
const sure = ref('')

const kinds: Record<string, string> = {
  base: 'Base of the database',
  photos: 'Photos',
  drill: 'Drill: brought back and compared',
}
const lanes: Record<string, string> = { default: 'Usual work', long: 'Long work' }
const versions: Record<string, string> = {
  interface: 'Interface',
  schema: 'Tables',
  php: 'PHP',
  framework: 'Framework',
  postgres: 'PostgreSQL',
}

const wrong = computed(() => {
  const { readiness: ready, vault, failed } = props.now
  return [
    ...ready.wrong.map(
      (one) =>
        ({
          database: 'The database does not answer.',
          queue: `Work waits for ${ago(ready.queue_s ?? 0)}: are the workers there?`,
          scheduler: 'The scheduler is silent.',
          disk: `Only ${ready.disk_mb} MB are left on the disk.`,
        })[one],
    ),
    ...vault.filter((one) => one.ok === false).map((one) => `${kinds[one.kind]}: ${one.says}`),
    ...vault.filter((one) => one.ok !== false && one.late).map((one) => `${kinds[one.kind]}: late.`),
    failed.length > 0 &&
      (failed.length === 1
        ? 'One job failed and waits for you below.'
        : `${failed.length} jobs failed and wait for you below.`),
  ].filter((one): one is string => typeof one === 'string')
})
</script>

<template>
  <section class="sheet grid">
    <h2>{{ wrong.length ? 'To look after' : 'All is well' }}</h2>
    <ul v-if="wrong.length" class="wrongs">
      <li v-for="one in wrong" :key="one" class="warned">{{ one }}</li>
    </ul>
    <dl class="told">
      <div>
        <dt class="quiet">Oldest job waits</dt>
        <dd>{{ now.readiness.queue_s === null ? 'nobody knows' : ago(now.readiness.queue_s) }}</dd>
      </div>
      <div>
        <dt class="quiet">Scheduler spoke</dt>
        <dd>{{ now.readiness.scheduler_s === null ? 'never' : `${ago(now.readiness.scheduler_s)} ago` }}</dd>
      </div>
      <div>
        <dt class="quiet">Left on the disk</dt>
        <dd>{{ (now.readiness.disk_mb / 1024).toFixed(1) }} GB</dd>
      </div>
    </dl>
  </section>

  <section class="sheet grid">
    <h2>Vault</h2>
    <p v-if="!now.vault.length">
      No vault is named. <code>VICISSA_VAULT</code> keeps every change as it happens; until then only
      <code>bin/backup</code> stands between this and a broken disk.
    </p>
    <ul v-else class="lines">
      <li v-for="one in now.vault" :key="one.kind">
        <span
          ><strong>{{ kinds[one.kind] }}</strong
          ><br /><span class="small" :class="{ quiet: one.ok !== false }">{{ one.says || 'not yet' }}</span></span
        >
        <span v-if="one.well_at" class="small quiet when">well on {{ dayAndTime(one.well_at, zone) }}</span>
      </li>
    </ul>
  </section>

  <section class="sheet grid">
    <h2>Work</h2>
    <ul class="lines">
      <li v-for="lane in now.lanes" :key="lane.lane">
        <strong>{{ lanes[lane.lane] ?? lane.lane }}</strong>
        <span class="small"
          >{{ lane.waiting }} waiting<template v-if="lane.waiting">, the oldest for {{ ago(lane.oldest_s) }}</template
          >, {{ lane.at_work }} at work, {{ lane.put_off }} put off</span
        >
      </li>
    </ul>
    <template v-if="now.failed.length">
      <h3>Failed</h3>
      <ul class="lines">
        <li v-for="job in now.failed" :key="job.id">
          <span class="cut"
            ><strong>{{ job.job }}</strong> <span class="small quiet">{{ dayAndTime(job.at, zone) }}</span><br /><code
              class="small"
              >{{ job.says }}</code
            ></span
          >
          <span class="ways">
            <button type="button" class="beside" :disabled="busy" @click="emit('again', job.id)">Again</button>
            <button v-if="sure !== job.id" type="button" class="words" @click="sure = job.id">Give up…</button>
            <button v-else type="button" class="beside" :disabled="busy" @click="emit('drop', job.id)">
              Yes, it is not done
            </button>
          </span>
        </li>
      </ul>
    </template>
  </section>

  <section class="sheet grid">
    <h2>Slow statements</h2>
    <p v-if="!now.slow.length" class="quiet">None today or yesterday.</p>
    <ul v-else class="lines">
      <li v-for="one in now.slow" :key="one.at + one.sql">
        <span class="cut"
          ><code class="small">{{ one.sql.slice(0, 220) }}</code
          ><br /><span class="small quiet">{{ one.asked }}, {{ dayAndTime(one.at, zone) }}</span></span
        >
        <strong>{{ one.ms }} ms</strong>
      </li>
    </ul>
  </section>

  <section class="sheet grid">
    <h2>What ended and was started again</h2>
    <p v-if="!now.restarts.length" class="quiet">Nothing.</p>
    <ul v-else class="lines">
      <li v-for="one in now.restarts" :key="one" class="small">{{ one }}</li>
    </ul>
  </section>

  <section class="sheet grid">
    <h2>What runs</h2>
    <dl class="told">
      <div v-for="(name, key) in versions" :key="key">
        <dt class="quiet">{{ name }}</dt>
        <dd>{{ now.versions[key as keyof typeof now.versions] ?? 'nobody knows' }}</dd>
      </div>
    </dl>
  </section>
</template>

<style scoped>
.wrongs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: var(--s2);
}

.told {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3) var(--s5);
  margin: 0;
}

.told dd {
  margin: 0;
  font-weight: 600;
  overflow-wrap: anywhere;
}

.lines > li {
  padding-block: var(--s2);
}

.cut {
  min-width: 0;
  overflow-wrap: anywhere;
}

.when {
  flex: none;
  max-width: 45%;
  text-align: right;
}

.ways {
  display: flex;
  gap: var(--s2);
  flex: none;
}
</style>
