<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, told, type Schemas } from '@/api/client'
import { families, roles, zones } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import SearchBox from '@/parts/SearchBox.vue'
import FitMark from './FitMark.vue'

// Every product against every family of protection; what a mark means stands in words below as one moves over it.
const { data, error, isPending } = useQuery({
  queryKey: ['products', 'fit'],
  queryFn: () => told(api.GET('/api/v1/products/fit')),
})
const search = ref('')
const inUse = ref(true)
type Row = Schemas['FitProduct']
type Cell = Schemas['FitCell']
const shown = ref<{ row: Row; cell: Cell } | null>(null)
const columns = computed(() => (data.value?.families ?? []).filter((family) => !inUse.value || family.vehicles > 0))
const rows = computed(() => {
  const words = search.value.trim().toLocaleLowerCase()
  const list = (data.value?.products ?? []).filter((row) =>
    [row.name, row.line, roles[row.role]].join(' ').toLocaleLowerCase().includes(words),
  )
  return Object.keys(roles).flatMap((role) => list.filter((row) => row.role === role))
})
const cell = (row: Row, family: string) => row.cells.find((one) => one.family === family)
const warnings = (one: Cell) => one.remarks.filter((remark) => remark.severity === 'warn').length
const verdict = (one: Cell) => (!one.allowed ? 'ruled out' : warnings(one) ? 'with care' : 'fits')
const says = (row: Row, one: Cell) =>
  `${row.name} on ${families[one.family]?.name.toLowerCase()}: ${verdict(one)}. ${one.remarks.map((remark) => remark.says).join(' ')}`

/** Arrows walk the table as one reads it. */
function walk(event: KeyboardEvent) {
  const steps: Record<string, [number, number]> = {
    ArrowRight: [0, 1],
    ArrowLeft: [0, -1],
    ArrowDown: [1, 0],
    ArrowUp: [-1, 0],
  }
  const step = steps[event.key]
  const at = (event.target as HTMLElement).closest('td')
  if (!step || !at) return
  const line = at.parentElement as HTMLTableRowElement
  const body = line.parentElement as HTMLTableSectionElement
  const next = (body.rows[line.sectionRowIndex + step[0]] as HTMLTableRowElement | undefined)?.cells[
    at.cellIndex + step[1]
  ]?.querySelector('button')
  if (next) {
    event.preventDefault()
    next.focus()
  }
}
</script>

<template>
  <div class="page">
    <p class="quiet small"><RouterLink to="/shelf">Shelf</RouterLink></p>
    <div class="row spread">
      <h1>What fits what</h1>
      <SearchBox v-model="search" label="Find a product" />
      <ElCheckbox v-model="inUse">only what your vehicles carry</ElCheckbox>
    </div>
    <ul class="key small" aria-label="Marks">
      <li><FitMark allowed :warnings="0" /> fits</li>
      <li><FitMark allowed :warnings="1" /> with care</li>
      <li><FitMark :allowed="false" :warnings="0" /> ruled out</li>
    </ul>
    <ProblemNote :problem="error" />
    <p v-if="isPending" class="quiet" role="status">Laying everything against everything…</p>
    <div v-else class="scroll" tabindex="0" role="group" aria-label="Fit table">
      <table class="listed" @keydown="walk">
        <thead>
          <tr>
            <th scope="col">Product</th>
            <th scope="col">Used as</th>
            <th v-for="family in columns" :key="family.family" scope="col" class="mark">
              {{ families[family.family]?.name }}
              <span class="quiet small count">{{ family.vehicles }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <th scope="row">
              <RouterLink :to="`/shelf/${row.id}`">{{ row.name }}</RouterLink>
            </th>
            <td class="small quiet">
              {{ roles[row.role] }}{{ row.zone === 'paint' ? '' : `, ${zones[row.zone]?.toLowerCase()}` }}
            </td>
            <td v-for="family in columns" :key="family.family" class="mark">
              <button
                v-if="cell(row, family.family)"
                type="button"
                :aria-label="says(row, cell(row, family.family)!)"
                @focus="shown = { row, cell: cell(row, family.family)! }"
                @mouseenter="shown = { row, cell: cell(row, family.family)! }"
              >
                <FitMark :allowed="cell(row, family.family)!.allowed" :warnings="warnings(cell(row, family.family)!)" />
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="told" aria-hidden="true">
      <template v-if="shown">
        <strong
          >{{ shown.row.name }} on {{ families[shown.cell.family]?.name.toLowerCase() }}:
          {{ verdict(shown.cell) }}</strong
        >
        <span v-for="remark in shown.cell.remarks" :key="remark.code"
          ><code>{{ remark.code }}</code> {{ remark.says }}</span
        >
        <span v-if="!shown.cell.remarks.length" class="quiet">Nothing speaks against it.</span>
      </template>
      <span v-else class="quiet">Move over a mark, or walk with the arrow keys.</span>
    </div>
  </div>
</template>

<style scoped>
.key {
  list-style: none;
  display: flex;
  gap: var(--s4);
  padding: 0;
  margin: var(--s2) 0 var(--s3);
}

.key li {
  display: flex;
  align-items: center;
  gap: 5px;
}

th,
td {
  padding: 2px var(--s2);
}

thead th {
  vertical-align: bottom;
  font-weight: 600;
  position: sticky;
  top: 0;
}

tbody th {
  font-weight: 600;
  white-space: nowrap;
}

tbody tr:hover {
  background: var(--film-mist);
}

.mark {
  text-align: center;
  width: 96px;
}

.count {
  display: block;
}

.mark button {
  width: 44px;
  height: 32px;
  display: inline-grid;
  place-items: center;
  border: 0;
  background: none;
  cursor: help;
}

.told {
  position: sticky;
  bottom: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px var(--s4);
  align-items: baseline;
  min-height: 56px;
  padding: var(--s3) 0;
  background: var(--paper);
  border-top: 2px solid var(--ink);
}

code {
  font-size: 13px;
  color: var(--ink-2);
}

@media (max-width: 700px) {
  .told {
    bottom: 58px;
  }
}
</style>
