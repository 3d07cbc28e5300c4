<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { newId } from '@/lib/ids'
import { omit } from '@/lib/omit'
import { useMe } from '@/lib/session'
import { leaves, roles, strips, zones } from '@/lib/words'
import EditEnd from '@/parts/EditEnd.vue'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import FitPreview from './FitPreview.vue'
import LabelFields from './LabelFields.vue'
import RestockButton from './RestockButton.vue'
import StockCard from './StockCard.vue'
import StockFields from './StockFields.vue'

const props = defineProps<{ id?: string; like?: string }>()
const router = useRouter()
const { isOwner } = useMe()
const key = ref(newId())
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
const numbers = [
  'ph',
  'dwell_min_s',
  'dwell_max_s',
  'min_c',
  'max_c',
  'label_low_weeks',
  'label_high_weeks',
  'pack_ml',
  'price_minor',
  'stock_ml',
  'reorder_ml',
] as const

/** A new product that begins as another one: its label, not its stock. */
async function likeness(id: string): Promise<Schemas['Product']> {
  const of = await told(api.GET('/api/v1/products/{product}', { params: { path: { product: id } } }))
  return { ...of, id: '', name: `${of.name} (another)`, stock_ml: 0, archived: false, version: 0 }
}

/** Number inputs give texts; an empty one means "the label is silent". */
function body(row: Schemas['Product']): Schemas['ProductInput'] {
  const typed = Object.fromEntries(
    numbers.map((name) => [name, String(row[name] ?? '') === '' ? null : Number(row[name])]),
  )
  return {
    ...omit(row, ['id', 'archived', 'version', 'unknown']),
    ...typed,
    dwell_min_s: typed.dwell_min_s ?? 0,
    stock_ml: typed.stock_ml ?? 0,
    reorder_ml: typed.reorder_ml ?? 0,
    dilutions: row.dilutions as Record<string, never>,
  }
}

const { form, problem, busy, load, save, fields, newer, overrule, takeTheirs, follow } = useEdit<Schemas['Product']>({
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
      : told(api.POST('/api/v1/products', { params: { header: { 'Idempotency-Key': key.value } }, body: body(row) })),
  touches: [['products'], ['shelf']],
})
onMounted(load)

// Yes, no, or the label is silent: the form fills nothing in.
const says = { yes: 'Yes', no: 'No' }
const fact = (name: 'rinse' | 'may_dry') =>
  computed({
    get: () => (form.value?.[name] == null ? null : form.value[name] ? 'yes' : 'no'),
    set: (typed) => form.value && (form.value[name] = typed == null ? null : typed === 'yes'),
  })
const rinse = fact('rinse')
const mayDry = fact('may_dry')

async function done(work: Promise<boolean>) {
  if (await work) await router.push('/shelf')
}

async function putAway(away: boolean) {
  try {
    await told(
      away
        ? api.DELETE('/api/v1/products/{product}', path.value)
        : api.POST('/api/v1/products/{product}/restore', path.value),
    )
    await load()
  } catch (caught) {
    problem.value = caught
  }
}
</script>

<template>
  <div class="page product">
    <div class="row spread">
      <h1>{{ id ? (form?.name ?? 'Product') : 'A new product' }}</h1>
      <RestockButton v-if="id && form" :product="form" @done="follow('stock_ml')" />
    </div>
    <form v-if="form" class="sides" novalidate @submit.prevent="done(save())">
      <div class="grid">
        <section class="sheet grid">
          <div class="cols three">
            <Field label="Name" :error="fields.name"
              ><template #default="f"><PlainInput v-bind="f" v-model="form.name" maxlength="120" /></template
            ></Field>
            <Field label="Line" optional
              ><template #default="f"><PlainInput v-bind="f" v-model="form.line" maxlength="80" /></template
            ></Field>
            <Field label="Maker" optional
              ><template #default="f"><PlainInput v-bind="f" v-model="form.maker" maxlength="80" /></template
            ></Field>
            <Field label="Used as" :error="fields.role"
              ><template #default="f"><PlainSelect v-bind="f" v-model="form.role" :options="roles" /></template
            ></Field>
            <Field label="Leaves behind"
              ><template #default="f"><PlainSelect v-bind="f" v-model="form.leaves" :options="leaves" /></template
            ></Field>
            <Field label="Wax and sealant"
              ><template #default="f"><PlainSelect v-bind="f" v-model="form.strips" :options="strips" /></template
            ></Field>
            <Field label="pH in use" optional hint="Empty: the label is silent" :error="fields.ph"
              ><template #default="f"
                ><PlainInput v-bind="f" v-model="form.ph" type="number" step="0.1" min="0" max="14" /></template
            ></Field>
          </div>
          <fieldset>
            <legend>Made for</legend>
            <div class="row">
              <label v-for="(name, zone) in zones" :key="zone" class="row check"
                ><input v-model="form.surfaces" type="checkbox" :value="zone" /> {{ name }}</label
              >
            </div>
            <p v-if="fields.surfaces" class="refused small">{{ fields.surfaces }}</p>
          </fieldset>
          <div class="row">
            <label class="row check"><input v-model="form.solvent" type="checkbox" /> Solvent</label>
            <label class="row check"><input v-model="form.paste" type="checkbox" /> Paste out of a tin</label>
          </div>
          <div class="cols three">
            <Field label="Rinsed off afterwards" hint="Silent: taken as yes"
              ><template #default="f"
                ><PlainSelect v-bind="f" v-model="rinse" :options="says" none="label is silent" /></template
            ></Field>
            <Field label="May dry on the panel" hint="Silent: taken as no"
              ><template #default="f"
                ><PlainSelect v-bind="f" v-model="mayDry" :options="says" none="label is silent" /></template
            ></Field>
          </div>
        </section>

        <LabelFields v-model="form" :fields="fields" />

        <StockFields v-model="form" :fields="fields" />
        <EditEnd
          :problem="problem"
          :newer="newer"
          :mine="form"
          :busy="busy"
          @overrule="done(overrule())"
          @take="takeTheirs"
        >
          <RouterLink to="/shelf" class="words">Leave it</RouterLink>
          <button v-if="id && isOwner" type="button" class="words" @click="putAway(!form.archived)">
            {{ form.archived ? 'Take it out again' : 'Put it away' }}
          </button>
          <RouterLink v-if="id" :to="{ name: 'product-new', query: { like: id } }" class="words"
            >Another like it</RouterLink
          >
        </EditEnd>
      </div>
      <FitPreview :typed="body(form)" class="aside" />
    </form>
    <StockCard v-if="id && form" :product-id="id" class="book" @moved="follow('stock_ml')" />
    <ProblemNote v-if="!form" :problem="problem" />
  </div>
</template>

<style scoped>
.product {
  max-width: 1120px;
}

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
  position: sticky;
  top: 70px;
}

@media (max-width: 980px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }

  .aside {
    position: static;
  }
}

h1 {
  margin-bottom: var(--s4);
}
</style>
