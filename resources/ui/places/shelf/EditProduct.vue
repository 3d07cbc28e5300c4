<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, told, toldWithTag, type Schemas } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { newId } from '@/lib/ids'
import { useMe } from '@/lib/session'
import { useUnits } from '@/lib/units'
import { families, leaves, roles, strips, zones } from '@/lib/words'
import Field from '@/parts/Field.vue'
import NewerVersion from '@/parts/NewerVersion.vue'
import PlainInput from '@/parts/PlainInput.vue'
import PlainSelect from '@/parts/PlainSelect.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import DilutionLine from './DilutionLine.vue'

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

const layerFamilies = Object.fromEntries(
  Object.entries(families)
    .filter(([name]) => name !== 'bare')
    .map(([name, family]) => [name, family.name]),
)
const cautions = computed({
  get: () => form.value?.cautions.join('\n') ?? '',
  set: (text) =>
    form.value &&
    (form.value.cautions = text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean)),
})
const ways = ['bucket', 'lance', 'sprayer', 'bottle', 'wheel', 'tyre'] as const

type Measured = 'stock_ml' | 'reorder_ml' | 'pack_ml' | 'min_c' | 'max_c'

/** A quantity kept in SI units and typed in the workspace's; an empty field means "the label is silent". */
function measured(name: Measured, shown: (si: number) => number, kept: (typed: number) => number) {
  return computed({
    get: () => (form.value?.[name] == null ? '' : shown(Number(form.value[name]))),
    set: (typed: string | number | null) => {
      if (!form.value) return
      const value = String(typed ?? '') === '' ? null : Number(kept(Number(typed)).toFixed(1))
      Object.assign(form.value, { [name]: value })
    },
  })
}
const stock = measured('stock_ml', units.volumeOut, units.volumeIn)
const reorder = measured('reorder_ml', units.volumeOut, units.volumeIn)
const pack = measured('pack_ml', units.volumeOut, units.volumeIn)
const coldest = measured('min_c', units.temperatureOut, units.temperatureIn)
const hottest = measured('max_c', units.temperatureOut, units.temperatureIn)

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

      <section class="sheet grid">
        <h2>As the label says</h2>
        <DilutionLine
          v-for="way in ways"
          :key="way"
          v-model="form.dilutions[way]"
          :way="way"
          :error="fields[`dilutions/${way}`]"
        />
        <div class="cols four">
          <Field label="Dwell from" :error="fields.dwell_min_s"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="form.dwell_min_s" type="number" min="0" suffix="s" /></template
          ></Field>
          <Field label="Dwell to" :error="fields.dwell_max_s"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="form.dwell_max_s" type="number" min="0" suffix="s" /></template
          ></Field>
          <Field label="Panel from" :error="fields.min_c"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="coldest" type="number" :suffix="units.temperatureUnit.value" /></template
          ></Field>
          <Field label="Panel to" :error="fields.max_c"
            ><template #default="f"
              ><PlainInput v-bind="f" v-model="hottest" type="number" :suffix="units.temperatureUnit.value" /></template
          ></Field>
        </div>
        <div class="cols three">
          <Field label="Makes a layer of"
            ><template #default="f"
              ><PlainSelect v-bind="f" v-model="form.family" :options="layerFamilies" none="no layer" /></template
          ></Field>
          <Field label="Lasts from" :error="fields.label_low_weeks"
            ><template #default="f"
              ><PlainInput
                v-bind="f"
                v-model="form.label_low_weeks"
                type="number"
                min="0"
                step="0.5"
                suffix="weeks" /></template
          ></Field>
          <Field label="Lasts to" :error="fields.label_high_weeks"
            ><template #default="f"
              ><PlainInput
                v-bind="f"
                v-model="form.label_high_weeks"
                type="number"
                min="0"
                step="0.5"
                suffix="weeks" /></template
          ></Field>
        </div>
        <Field label="Cautions, one a line" optional :error="fields.cautions">
          <template #default="f"><textarea :id="f.id" v-model="cautions" rows="2" /></template>
        </Field>
      </section>

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

      <ProblemNote :problem="problem">
        <NewerVersion
          v-if="newer"
          :mine="form"
          :theirs="newer"
          @overrule="done(overrule())"
          @take="takeTheirs().then(() => (problem = null))"
        />
      </ProblemNote>
      <div class="row">
        <button type="submit" class="act" :disabled="busy">Save</button>
        <RouterLink to="/shelf" class="words">Leave it</RouterLink>
        <button v-if="id && isOwner" type="button" class="words" @click="putAway(!form.archived)">
          {{ form.archived ? 'Take it out again' : 'Put it away' }}
        </button>
      </div>
    </form>
    <ProblemNote v-else :problem="problem" />
  </div>
</template>

<style scoped>
h1 {
  margin-bottom: var(--s4);
}
</style>
