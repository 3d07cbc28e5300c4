<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { all, api, told, type Schemas } from '@/api/client'
import { useUnits } from '@/lib/units'
import { leaves, roles } from '@/lib/words'
import ProblemNote from '@/parts/ProblemNote.vue'
import SearchBox from '@/parts/SearchBox.vue'
import Bottle from '@/film/Bottle.vue'
import RenameGroup from './RenameGroup.vue'

const units = useUnits()
const search = ref('')
const archived = ref(false)
const { data, error, isPending } = useQuery({
  queryKey: ['products', archived],
  queryFn: () =>
    all((cursor) =>
      told(
        api.GET('/api/v1/products', {
          params: { query: { limit: 200, cursor, ...(archived.value ? { archived: true } : {}) } },
        }),
      ),
    ),
})
const by = useLocalStorage<'role' | 'line' | 'maker'>('shelf-by', 'role')
const groupings = { role: 'by use', line: 'by line', maker: 'by maker' }
const groups = computed(() => {
  const words = search.value.trim().toLocaleLowerCase()
  const rows = (data.value ?? []).filter((product) =>
    [product.name, product.line, product.maker].join(' ').toLocaleLowerCase().includes(words),
  )
  if (by.value === 'role') {
    return Object.keys(roles)
      .map((role) => ({ key: role, name: roles[role], products: rows.filter((product) => product.role === role) }))
      .filter((group) => group.products.length)
  }
  const what = by.value
  const names = [...new Set(rows.map((product) => product[what] ?? ''))].sort((a, b) =>
    a === '' ? 1 : b === '' ? -1 : a.localeCompare(b),
  )
  return names.map((name) => ({
    key: name,
    name: name || (what === 'line' ? 'Of no line' : 'Maker not said'),
    products: rows.filter((product) => (product[what] ?? '') === name),
  }))
})
const claim = (product: Schemas['Product']) =>
  product.label_low_weeks ? `${product.label_low_weeks}–${product.label_high_weeks} weeks by its label` : ''
const low = (product: Schemas['Product']) => product.stock_ml <= product.reorder_ml
const mixes = (product: Schemas['Product']) =>
  Object.entries(product.dilutions)
    .map(([way, text]) => `${way} ${text}`)
    .join(' · ')
</script>

<template>
  <div class="page">
    <div class="row spread head">
      <h1>Shelf</h1>
      <nav class="row ways" aria-label="More of the shelf">
        <RouterLink to="/round/load">To buy and to wash</RouterLink>
        <RouterLink to="/shelf/gear">Gear</RouterLink>
        <RouterLink to="/shelf/fit">What fits what</RouterLink>
        <RouterLink to="/shelf/files">Import and export</RouterLink>
      </nav>
      <SearchBox v-model="search" label="Find on the shelf" />
      <RouterLink to="/shelf/new" class="act">A new product</RouterLink>
    </div>
    <div class="row view">
      <fieldset class="row">
        <legend class="hidden-text">Sorted</legend>
        <ElRadioGroup v-model="by" aria-label="Sorted" :validate-event="false">
          <ElRadio v-for="(name, key) in groupings" :key="key" :value="key">{{ name }}</ElRadio>
        </ElRadioGroup>
      </fieldset>
      <ElCheckbox v-model="archived">also what was put away</ElCheckbox>
    </div>
    <ProblemNote :problem="error" />
    <p v-if="isPending" class="quiet" role="status">Looking along the shelf…</p>
    <p v-else-if="!groups.length" class="quiet">
      {{
        search
          ? 'Nothing on the shelf fits that.'
          : 'The shelf is empty. A product with what its label says is enough to begin.'
      }}
    </p>

    <section v-for="group in groups" :key="group.key" class="board">
      <div>
        <h2>{{ group.name }}</h2>
        <RenameGroup v-if="by !== 'role' && group.key" :what="by" :from="group.key" />
      </div>
      <ul class="plain">
        <li v-for="product in group.products" :key="product.id">
          <RouterLink :to="`/shelf/${product.id}`" class="bottle">
            <Bottle :left="product.pack_ml ? product.stock_ml / product.pack_ml : product.stock_ml > 0 ? 0.6 : 0" />
            <span class="text">
              <strong>{{ product.name }}</strong>
              <span class="small"
                ><template v-if="by !== 'role'">{{ roles[product.role] }}, </template>pH {{ product.ph }}, leaves
                {{ leaves[product.leaves]?.toLowerCase()
                }}<template v-if="product.strips !== 'none'">, strips {{ product.strips }}ly</template></span
              >
              <span v-if="claim(product)" class="small">{{ claim(product) }}</span>
              <span class="small quiet">{{ mixes(product) }}</span>
              <span class="small" :class="{ low: low(product) }"
                >{{ units.volume(product.stock_ml) }}{{ low(product) ? ' left: reorder' : ''
                }}<template v-if="product.archived"> · put away</template></span
              >
            </span>
          </RouterLink>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.head {
  margin-bottom: var(--s3);
}

.ways {
  margin-left: var(--s4);
}

.view {
  gap: var(--s5);
  margin-bottom: var(--s2);
}

.board {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  gap: var(--s4);
  border-bottom: 5px solid var(--line);
  padding: var(--s4) 0 0;
}

.board h2 {
  font-size: 15px;
  font-style: italic;
  padding-top: var(--s2);
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
  gap: 0 var(--s4);
}

.bottle {
  display: flex;
  gap: var(--s3);
  align-items: flex-end;
  padding: var(--s2) 0 0;
  text-decoration: none;
}

.bottle:hover strong {
  text-decoration: underline;
}

.text {
  display: grid;
  align-content: end;
  line-height: 1.35;
  padding-bottom: var(--s3);
}

.low {
  font-weight: 650;
  text-decoration: underline wavy;
  text-underline-offset: 3px;
}

@media (max-width: 700px) {
  .board {
    grid-template-columns: 1fr;
    gap: 0;
  }
}
</style>
