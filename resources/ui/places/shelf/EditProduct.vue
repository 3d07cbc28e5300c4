<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { leaves, roles, strips, zones } from '@/lib/words'
import EditEnd from '@/parts/EditEnd.vue'
import Field from '@/parts/Field.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import LabelFields from './LabelFields.vue'
import { useMeasured } from './measured'

const props = defineProps<{ id?: string }>()
const router = useRouter()
const { isOwner } = useMe()
const units = useUnits()
const key = ref(newId())
const path = computed(() => ({ params: { path: { product: props.id ?? '' } } }))
const empty: Schemas['Product'] = {
  id: '',
  name: '',
  line: null,
  maker: null,
  role: 'soap',
  surfaces: ['paint'],
  ph: 7,
  leaves: 'nothing',
  strips: 'none',
  solvent: false,
  dilutions: {},
  dwell_min_s: 0,
  dwell_max_s: null,
  may_dry: true,
  min_c: null,
  max_c: null,
  rinse: false,
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

/** Number inputs give texts; an empty one means "the label is silent". */
function body(row: Schemas['Product']): Schemas['ProductInput'] {
  const typed = Object.fromEntries(
    numbers.map((name) => [name, String(row[name] ?? '') === '' ? null : Number(row[name])]),
  )
  return {
    ...row,
    ...typed,
    ph: typed.ph ?? 7,
    dwell_min_s: typed.dwell_min_s ?? 0,
    stock_ml: typed.stock_ml ?? 0,
    reorder_ml: typed.reorder_ml ?? 0,
    dilutions: row.dilutions as Record<string, never>,
  }
}

const { form, problem, busy, load, save, fields, newer, overrule, takeTheirs } = useEdit<Schemas['Product']>({
  load: () =>
    props.id
      ? toldWithTag(api.GET('/api/v1/products/{product}', path.value))
      : Promise.resolve({ data: empty, tag: '' }),
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

const measured = useMeasured(form)
const stock = measured('stock_ml', units.volumeOut, units.volumeIn)
const reorder = measured('reorder_ml', units.volumeOut, units.volumeIn)
const pack = measured('pack_ml', units.volumeOut, units.volumeIn)

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
  <div class="page narrow">
    <h1>{{ id ? (form?.name ?? 'Product') : 'A new product' }}</h1>
    <form v-if="form" class="grid" novalidate @submit.prevent="done(save())">
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
          <Field label="pH in use" :error="fields.ph"
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
          <label class="row check"><input v-model="form.rinse" type="checkbox" /> Must be rinsed</label>
          <label class="row check"><input v-model="form.may_dry" type="checkbox" /> May dry on</label>
        </div>
      </section>

      <LabelFields v-model="form" :fields="fields" />

      <section class="sheet cols three">
        <Field label="Left" :error="fields.stock_ml"
          ><template #default="f"
            ><PlainInput v-bind="f" v-model="stock" type="number" min="0" :suffix="units.volumeUnit.value" /></template
        ></Field>
        <Field label="Reorder at" :error="fields.reorder_ml"
          ><template #default="f"
            ><PlainInput
              v-bind="f"
              v-model="reorder"
              type="number"
              min="0"
              :suffix="units.volumeUnit.value" /></template
        ></Field>
        <Field label="A pack holds" :error="fields.pack_ml"
          ><template #default="f"
            ><PlainInput v-bind="f" v-model="pack" type="number" min="0" :suffix="units.volumeUnit.value" /></template
        ></Field>
      </section>

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
      </EditEnd>
    </form>
    <ProblemNote v-else :problem="problem" />
  </div>
</template>

<style scoped>
h1 {
  margin-bottom: var(--s4);
}
</style>
