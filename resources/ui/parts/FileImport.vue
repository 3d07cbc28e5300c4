<script setup lang="ts">
import { computed, ref } from 'vue'
import { Problem, type Schemas } from '@/api/client'
import FilePick from '@/parts/FilePick.vue'
import { newId } from '@/lib/ids'
import Glyph from '@/parts/Glyph.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { guess, readSheet, underOurs, written, type Sheet } from './table/columns'
import MatchColumns from './table/MatchColumns.vue'
import MendRow from './table/MendRow.vue'

// A file looked at row by row before anything is done, and then all of it or nothing.
const props = defineProps<{
  accept: string
  /** What a row is called, and what taking them does. */
  row: string
  take: string
  send: (text: string, commit: boolean, key: string) => Promise<Schemas['ProductImport']>
  /** Ours, the first of which a row must have; a file with other heads is matched to them first. */
  columns?: () => Promise<string[]>
}>()
const emit = defineEmits<{ done: [] }>()
const LARGEST = 2_000_000
const text = ref('')
const name = ref('')
const seen = ref<Schemas['ProductImport'] | null>(null)
const problem = ref<unknown>(null)
const busy = ref(false)
const tooLarge = ref(false)
const key = ref(newId())
/** A file with heads of its own, and which of them are ours. */
const foreign = ref<Sheet | null>(null)
const ours = ref<string[]>([])
const matched = ref<Record<string, string>>({})
/** The rows as they are sent; one of them is being mended. */
const rows = ref<Record<string, string>[]>([])
const mending = ref<number | null>(null)
const doing: Record<string, string> = { new: 'new', change: 'changes', same: 'as it is', wrong: 'wrong' }
const unknown = computed(() => [...new Set((seen.value?.rows ?? []).flatMap((row) => row.unknown))])

async function look(commit: boolean) {
  busy.value = true
  problem.value = null
  try {
    seen.value = await props.send(text.value, commit, key.value)
    if (seen.value.done) emit('done')
  } catch (caught) {
    problem.value = caught
    seen.value = null
  } finally {
    busy.value = false
  }
}

async function choose(file: File) {
  tooLarge.value = file.size > LARGEST
  seen.value = null
  if (tooLarge.value) return
  name.value = file.name
  problem.value = null
  try {
    text.value = await file.text()
  } catch {
    // It was moved or changed since it was chosen.
    problem.value = new Problem(0, 'The file can’t be read', 'It was moved or changed since. Choose it again.')
    return
  }
  try {
    ours.value = (await props.columns?.()) ?? []
  } catch (caught) {
    problem.value = caught
    return
  }
  key.value = newId()
  mending.value = null
  const own = ours.value
  const sheet = own.length ? readSheet(text.value) : { heads: [], rows: [] }
  rows.value = sheet.rows
  // Counted as they are shown here, whatever empty lines there were.
  if (sheet.rows.length) text.value = written(sheet.rows)
  foreign.value = sheet.heads.every((head) => own.includes(head)) ? null : sheet
  matched.value = foreign.value ? guess(own, sheet.heads) : {}
  if (!foreign.value) await look(false)
}
async function match() {
  if (foreign.value) await lookAt(underOurs(foreign.value, matched.value))
}
async function lookAt(next: Record<string, string>[]) {
  rows.value = next
  text.value = written(next)
  key.value = newId()
  mending.value = null
  await look(false)
}
/** Rows are counted as a spreadsheet does, with the heads as the first. */
const mend = (row: number, cells: Record<string, string>) =>
  lookAt(rows.value.map((one, i) => (i === row - 2 ? cells : one)))
const errorsOf = (row: Schemas['ProductImport']['rows'][number]) =>
  Object.fromEntries(row.errors.map((error) => [error.field, error.says]))
</script>

<template>
  <div class="grid">
    <FilePick :accept="accept" @take="choose">{{ name || 'Choose a file…' }}</FilePick>
    <p v-if="tooLarge" class="refused" role="alert">
      That file is larger than 2 MB. Split it, and bring the parts one by one.
    </p>
    <ProblemNote :problem="problem" />
    <MatchColumns v-if="foreign && !seen?.done" v-model="matched" :sheet="foreign" :columns="ours" @done="match" />
    <p v-if="busy" class="quiet" role="status">Reading…</p>
    <template v-if="seen">
      <p role="status" class="sum">
        <template v-if="seen.done"
          ><strong>Done:</strong> {{ seen.new }} added, {{ seen.changed }} changed, {{ seen.same }} as they
          were.</template
        >
        <template v-else-if="seen.wrong"
          ><strong class="refused">{{ seen.wrong }} of {{ seen.rows.length }} rows are wrong,</strong> so nothing has
          been done. Mend them here, or the file.</template
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
        <table class="listed">
          <thead>
            <tr>
              <th scope="col">Row</th>
              <th scope="col">{{ row }}</th>
              <th scope="col">What happens</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in seen.rows" :key="one.row">
              <td>{{ one.row }}</td>
              <th scope="row">{{ one.name || '(no name)' }}</th>
              <td>
                <template v-if="one.does === 'wrong'">
                  <span v-for="error in one.errors" :key="error.field" class="refused error"
                    ><Glyph name="no" :size="14" /> <strong>{{ error.field }}</strong> {{ error.says }}</span
                  >
                  <button
                    v-if="mending !== one.row && rows[one.row - 2]"
                    type="button"
                    class="beside"
                    :aria-label="`Mend row ${one.row}`"
                    @click="mending = one.row"
                  >
                    Mend
                  </button>
                  <MendRow
                    v-if="mending === one.row"
                    :row="rows[one.row - 2] ?? {}"
                    :errors="errorsOf(one)"
                    @mended="(cells) => mend(one.row, cells)"
                    @leave="mending = null"
                  />
                </template>
                <template v-else
                  >{{ doing[one.does]
                  }}<span v-if="one.changes.length" class="quiet">: {{ one.changes.join(', ') }}</span></template
                >
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="!seen.done && !seen.wrong && seen.new + seen.changed > 0" class="row">
        <button type="button" class="act" :disabled="busy" @click="look(true)">
          {{ take }} ({{ seen.new + seen.changed }})
        </button>
      </div>
    </template>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}

.scroll {
  max-height: 420px;
}

th,
td {
  vertical-align: top;
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
