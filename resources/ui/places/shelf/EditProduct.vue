<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { fieldsOf } from '@/lib/form'
import { newId } from '@/lib/ids'
import { omit } from '@/lib/omit'
import { wentAway } from '@/lib/gone'
import { useMe } from '@/lib/session'
import { asOptions } from '@/lib/options'
import { leaves, roles, strips, zones } from '@/lib/words'
import EditForm from '@/parts/EditForm.vue'
import RowFields from '@/parts/RowFields.vue'
import TickMany from '@/parts/TickMany.vue'
import FitPreview from './FitPreview.vue'
import LabelFields from './LabelFields.vue'
import LabelPhotos from './LabelPhotos.vue'
import RestockButton from './RestockButton.vue'
import StockCard from './StockCard.vue'
import StockFields from './StockFields.vue'

const props = defineProps<{ id?: string; like?: string }>()
const router = useRouter()
const { isOwner } = useMe()
const key = ref(newId())
const labels = useTemplateRef('labels')
const path = computed(() => ({ params: { path: { product: props.id ?? '' } } }))
const empty: Schemas['Product'] = {
  id: '',
  name: '',
  line: null,
  maker: null,
  supplier: null,
  role: 'soap',
  surfaces: ['paint'],
  ph: null,
  leaves: 'nothing',
  strips: 'none',
  solvent: false,
  dilutions: {},
  dwell_min_s: 0,
  dwell_max_s: null,
  may_dry: null,
  min_c: null,
  max_c: null,
  rinse: null,
  paste: false,
  family: null,
  label_low_weeks: null,
  label_high_weeks: null,
  applied: null,
  pack_ml: null,
  price_minor: null,
  stock_ml: 0,
  reorder_ml: 0,
  cautions: [],
  archived: false,
  unknown: [],
  version: 0,
}
/** A new product that begins as another one: its label, not its stock. */
async function likeness(id: string): Promise<Schemas['Product']> {
  const of = await told(api.GET('/api/v1/products/{product}', { params: { path: { product: id } } }))
  return { ...of, id: '', name: `${of.name} (another)`, stock_ml: 0, archived: false, version: 0 }
}

function body(row: Schemas['Product']): Schemas['ProductInput'] {
  return {
    ...omit(row, ['id', 'archived', 'version', 'unknown']),
    // An empty field of what can't be empty is nothing of it.
    dwell_min_s: row.dwell_min_s || 0,
    stock_ml: row.stock_ml || 0,
    reorder_ml: row.reorder_ml || 0,
    dilutions: row.dilutions as Record<string, never>,
  }
}

// Asked again after a photo could not be sent, it is the same product.
async function create(row: Schemas['Product']) {
  const params = { header: { 'Idempotency-Key': key.value } }
  const { id } = await told(api.POST('/api/v1/products', { params, body: body(row) }))
  if (labels.value && !(await labels.value.sendAll(id))) throw labels.value.problem
}

const edit = useEdit<Schemas['Product']>({
  load: async () => {
    if (props.id) return toldWithTag(api.GET('/api/v1/products/{product}', path.value))
    return { data: props.like ? await likeness(props.like) : empty, tag: '' }
  },
  save: (row, tag) =>
    props.id
      ? told(
          api.PATCH('/api/v1/products/{product}', {
            params: { ...path.value.params, header: { 'If-Match': tag } },
            body: body(row),
          }),
        )
      : create(row),
  touches: [['products'], ['shelf']],
})
onMounted(edit.load)

const fieldsOfIt = fieldsOf<Schemas['Product']>()
const ask = {
  which: fieldsOfIt(
    { name: 'name', label: 'Name', as: 'text', longest: 120 },
    { name: 'line', label: 'Line', as: 'text', longest: 80, optional: true },
    { name: 'maker', label: 'Maker', as: 'text', longest: 80, optional: true },
    { name: 'role', label: 'Used as', as: 'one', options: roles },
    { name: 'leaves', label: 'Leaves behind', as: 'one', options: leaves },
    { name: 'strips', label: 'Wax and sealant', as: 'one', options: strips },
    { name: 'ph', label: 'pH in use', hint: 'Empty: the label is silent', as: 'number', step: 0.1, optional: true },
  ),
  // Yes, no, or the label is silent: the form fills nothing in.
  made: fieldsOfIt(
    {
      name: 'rinse',
      label: 'Rinsed off afterwards',
      hint: 'Silent: taken as yes',
      as: 'said',
      none: 'label is silent',
    },
    {
      name: 'may_dry',
      label: 'May dry on the panel',
      hint: 'Silent: taken as no',
      as: 'said',
      none: 'label is silent',
    },
    { name: 'solvent', label: 'Solvent', as: 'tick' },
    { name: 'paste', label: 'Paste out of a tin', as: 'tick' },
  ),
}

const putAway = (away: boolean) =>
  edit.attempt(
    () =>
      told(
        away
          ? api.DELETE('/api/v1/products/{product}', path.value)
          : api.POST('/api/v1/products/{product}/restore', path.value),
      ),
    async () => {
      if (away) wentAway(`${edit.form?.name ?? 'It'} was put away.`, () => putAway(false))
      await edit.load()
    },
  )
</script>

<template>
  <div class="page product">
    <div class="row spread">
      <h1>{{ id ? (edit.form?.name ?? 'Product') : 'A new product' }}</h1>
      <RestockButton v-if="id && edit.form" :product="edit.form" @done="edit.follow('stock_ml')" />
    </div>
    <div class="sides">
      <EditForm :edit="edit" @done="router.push('/shelf')">
        <template #default="{ form, errors }">
          <section class="sheet grid">
            <RowFields :row="form" :ask="ask.which" :errors="errors" :columns="3" />
            <TickMany v-model="form.surfaces" label="Made for" :options="asOptions(zones)" :error="errors.surfaces" />
            <RowFields :row="form" :ask="ask.made" :errors="errors" :columns="3" />
          </section>
          <LabelFields :model-value="form" :fields="errors" />
          <StockFields :row="form" :errors="errors" />
        </template>
        <template #ways="{ form }">
          <RouterLink to="/shelf" class="words">Cancel</RouterLink>
          <button v-if="id && isOwner" type="button" class="words" @click="putAway(!form.archived)">
            {{ form.archived ? 'Take it out again' : 'Put it away' }}
          </button>
          <RouterLink v-if="id" :to="{ name: 'product-new', query: { like: id } }" class="words"
            >Another like it</RouterLink
          >
        </template>
      </EditForm>
      <div v-if="edit.form" class="aside">
        <LabelPhotos ref="labels" :product="id" />
        <FitPreview :typed="body(edit.form)" />
      </div>
    </div>
    <StockCard v-if="id && edit.form" :product-id="id" class="book" @moved="edit.follow('stock_ml')" />
  </div>
</template>

<style scoped>
.book {
  margin-top: var(--s4);
}

.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: var(--s5);
  align-items: start;
}

.aside {
  display: grid;
  gap: var(--s4);
  position: sticky;
  top: 70px;
  max-height: calc(100vh - 90px);
  overflow-y: auto;
}

@media (max-width: 980px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }

  .aside {
    position: static;
    max-height: none;
  }
}

h1 {
  margin-bottom: var(--s4);
}
</style>
