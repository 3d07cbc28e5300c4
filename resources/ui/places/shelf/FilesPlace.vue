<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { newId } from '@/lib/ids'
import Glyph from '@/parts/Glyph.vue'
import ProblemNote from '@/parts/ProblemNote.vue'

// Products in and out as files: looked at row by row before anything is done, and then all of it or nothing.
const LARGEST = 2_000_000
const queries = useQueryClient()
const text = ref('')
const name = ref('')
const seen = ref<Schemas['ProductImport'] | null>(null)
const problem = ref<unknown>(null)
const busy = ref(false)
const tooLarge = ref(false)
const key = ref(newId())
const doing: Record<string, string> = { new: 'new', change: 'changes', same: 'as it is', wrong: 'wrong' }
const unknown = computed(() => [...new Set((seen.value?.rows ?? []).flatMap((row) => row.unknown))])

async function send(commit: boolean) {
  busy.value = true
  problem.value = null
  try {
    seen.value = await told(
      api.POST('/api/v1/products/import', {
        params: { header: commit ? { 'Idempotency-Key': key.value } : {} },
        body: { text: text.value, commit },
      }),
    )
    if (seen.value.done) await queries.invalidateQueries({ queryKey: ['products'] })
  } catch (caught) {
    problem.value = caught
    seen.value = null
  } finally {
    busy.value = false
  }
}

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) return
  tooLarge.value = file.size > LARGEST
  seen.value = null
  if (tooLarge.value) return
  name.value = file.name
  text.value = await file.text()
  key.value = newId()
  await send(false)
}
</script>

<template>
  <div class="page narrow grid files">
    <div>
      <p class="quiet small"><RouterLink to="/shelf">Shelf</RouterLink></p>
      <h1>Products in and out</h1>
    </div>
    <section class="sheet grid">
      <h2>Take the shelf along</h2>
      <p>Everything on it, as its labels describe it. Both files come back in as they went out.</p>
      <div class="row">
        <a class="beside" href="/api/v1/products/export?format=csv" download>As a table (CSV)</a>
        <a class="beside" href="/api/v1/products/export?format=json" download>As JSON</a>
      </div>
    </section>
    <section class="sheet grid">
      <h2>Put products on the shelf</h2>
      <p>
        A table or a JSON file. Products are known by their name: new ones are added, known ones changed where the file
        says so. You see every row first.
      </p>
      <label class="file beside">
        <input type="file" accept=".csv,.json,.txt,text/csv,application/json" @change="choose" />
        {{ name || 'Choose a file…' }}
      </label>
      <p v-if="tooLarge" class="refused" role="alert">
        That file is larger than 2 MB. Split it, and bring the parts one by one.
      </p>
      <ProblemNote :problem="problem" />
      <p v-if="busy" class="quiet" role="status">Reading…</p>
      <template v-if="seen">
        <p role="status" class="sum">
          <template v-if="seen.done"
            ><strong>Done:</strong> {{ seen.new }} added, {{ seen.changed }} changed, {{ seen.same }} as they
            were.</template
          >
          <template v-else-if="seen.wrong"
            ><strong class="refused">{{ seen.wrong }} of {{ seen.rows.length }} rows are wrong,</strong> so nothing has
            been done. Mend the file and choose it again.</template
          >
          <template v-else
            >{{ seen.new }} new, {{ seen.changed }} changed, {{ seen.same }} as they are. Nothing has been done
            yet.</template
          >
        </p>
        <p v-if="unknown.length" class="small">
          <Glyph name="care" :size="15" /> Columns that mean nothing here and are left out: {{ unknown.join(', ') }}.
        </p>
        <div class="scroll" tabindex="0" role="group" aria-label="Rows of the file">
          <table>
            <thead>
              <tr>
                <th scope="col">Row</th>
                <th scope="col">Product</th>
                <th scope="col">What happens</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in seen.rows" :key="row.row">
                <td>{{ row.row }}</td>
                <th scope="row">{{ row.name || '(no name)' }}</th>
                <td>
                  <template v-if="row.does === 'wrong'">
                    <span v-for="error in row.errors" :key="error.field" class="refused error"
                      ><Glyph name="no" :size="14" /> <strong>{{ error.field }}</strong> {{ error.says }}</span
                    >
                  </template>
                  <template v-else
                    >{{ doing[row.does]
                    }}<span v-if="row.changes.length" class="quiet">: {{ row.changes.join(', ') }}</span></template
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <div v-if="!seen.done && !seen.wrong && seen.new + seen.changed > 0" class="row">
          <button type="button" class="act" :disabled="busy" @click="send(true)">
            Put {{ seen.new + seen.changed }} on the shelf
          </button>
        </div>
      </template>
    </section>
  </div>
</template>

<style scoped>
.files {
  max-width: 860px;
}

p {
  margin: 0;
}

.file {
  position: relative;
  justify-self: start;
}

.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}

.file:has(:focus-visible) {
  outline: 2px solid var(--focus);
  outline-offset: 2px;
}

.scroll {
  overflow: auto;
  max-height: 420px;
}

table {
  border-collapse: collapse;
  width: 100%;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 6px var(--s2);
  border-bottom: 1px solid var(--line);
}

.error {
  display: flex;
  gap: 5px;
  align-items: baseline;
}

.error svg {
  flex: none;
}
</style>
