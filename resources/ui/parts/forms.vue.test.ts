import { flushPromises, mount } from '@vue/test-utils'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { beforeEach, expect, it } from 'vitest'
import { defineComponent, onMounted, reactive } from 'vue'
import { Problem } from '@/api/client'
import { useEdit } from '@/lib/edit'
import { fieldsOf } from '@/lib/form'
import { i18n } from '@/lib/i18n'
import EditForm from './EditForm.vue'
import RemoveWay from './RemoveWay.vue'
import RowFields from './RowFields.vue'

type Row = {
  name: string
  miles: number | null
  water: string
  tds: number | null
  rinse: boolean | null
  shade: boolean
  since: string | null
}
const row = (): Row => ({
  name: 'Van',
  miles: 160,
  water: 'tap',
  tds: 12,
  rinse: null,
  shade: false,
  since: '2026-03-05',
})
const ask = fieldsOf<Row>()(
  { name: 'name', label: 'Name', as: 'text', longest: 12 },
  {
    name: 'miles',
    label: 'A week',
    as: 'number',
    suffix: 'miles',
    unit: { shown: (km) => km / 1.6, kept: (typed) => typed * 1.6 },
  },
  { name: 'water', label: 'Water', as: 'one', options: { tap: 'Tap', treated: 'Treated' } },
  { name: 'tds', label: 'Solids, treated', as: 'number', when: (of) => of.water === 'treated' },
  { name: 'rinse', label: 'Rinsed', as: 'said', none: 'label is silent' },
  { name: 'since', label: 'Since', as: 'day', optional: true },
  { name: 'shade', label: 'Shade', as: 'tick' },
)

it('asks about a row what its description says', async () => {
  const of = reactive(row())
  const part = mount(RowFields<Row>, {
    props: { row: of, ask, errors: { miles: 'Too far.' }, columns: 2 },
    global: { plugins: [i18n], stubs: { ElTooltipContent: true } },
    attachTo: document.body,
  })
  await flushPromises()
  const labels = () => part.findAll('.field > label').map((label) => label.text())
  expect(labels()).toEqual(['Name', 'A week', 'Water', 'Rinsed', 'Since if you like'])
  expect(part.text()).toContain('Too far.')
  const input = (label: string) => {
    const id =
      part
        .findAll('label')
        .find((one) => one.text().startsWith(label))
        ?.attributes('for') ?? ''
    return part.get<HTMLInputElement>(`[id="${id}"]`)
  }
  expect([input('Name').element.value, input('A week').element.value, input('Since').element.value]).toEqual([
    'Van',
    '100',
    '5 Mar 2026',
  ])
  expect(input('Name').attributes('maxlength')).toBe('12')
  await input('Name').setValue('Grey van')
  await input('A week').setValue('50')
  expect([of.name, of.miles]).toEqual(['Grey van', 80])
  await input('A week').setValue('')
  expect(of.miles).toBeNull()
  const selects = part.findAllComponents({ name: 'ElSelect' })
  selects[0]?.vm.$emit('update:modelValue', 'treated')
  selects[1]?.vm.$emit('update:modelValue', 'no')
  await flushPromises()
  expect([of.water, of.rinse, selects[1]?.props('modelValue')]).toEqual(['treated', false, 'no'])
  expect(labels()).toContain('Solids, treated')
  selects[1]?.vm.$emit('update:modelValue', '')
  expect(of.rinse).toBeNull()
  await part.get('input[type=checkbox]').setValue(true)
  expect(of.shade).toBe(true)
})

let stored: Row & { version: number }
beforeEach(() => (stored = { ...row(), version: 1 }))

const Place = defineComponent({
  components: { EditForm, RowFields },
  emits: ['done'],
  setup() {
    const edit = useEdit<Row & { version: number }>({
      load: async () => ({ data: stored, tag: `"${stored.version}"` }),
      save: async (of, tag) => {
        if (of.name === '')
          throw new Problem(422, 'No', 'Look again', [{ pointer: '/name', detail: 'It needs a name.' }])
        if (tag !== `"${stored.version}"`) throw new Problem(412, 'Somebody was faster', '', [], { ...stored })
        stored = { ...of, version: stored.version + 1 }
      },
      touches: [],
    })
    onMounted(edit.load)
    return { edit, ask: ask.slice(0, 1) }
  },
  template: `<EditForm :edit="edit" @done="$emit('done')">
    <template #default="{ form, errors }"><RowFields :row="form" :ask="ask" :errors="errors" /></template>
    <template #ways="{ form }"><em>{{ form.name }}</em></template>
  </EditForm>`,
})
async function place() {
  const part = mount(Place, { global: { plugins: [i18n, VueQueryPlugin] }, attachTo: document.body })
  await flushPromises()
  return part
}

it('keeps what was typed, says what was wrong where it was, and is done only when it is saved', async () => {
  const part = await place()
  await part.get('input').setValue('')
  await part.get('form').trigger('submit')
  await flushPromises()
  expect(part.get('.field').text()).toContain('It needs a name.')
  expect(part.emitted('done')).toBeUndefined()
  await part.get('input').setValue('Grey van')
  expect(part.get('em').text()).toBe('Grey van')
  await part.get('form').trigger('submit')
  await flushPromises()
  expect([stored.name, part.emitted('done')?.length]).toEqual(['Grey van', 1])
  expect(part.get('[role=status]').text()).toBe('Saved.')
})

it('shows what someone else saved, and leaves both ways open', async () => {
  const part = await place()
  await part.get('input').setValue('Mine')
  stored = { ...stored, name: 'Hers', version: 2 }
  await part.get('form').trigger('submit')
  await flushPromises()
  expect(part.text()).toContain('Hers')
  expect(part.get('input').element.value).toBe('Mine')
  const press = (words: string) =>
    part
      .findAll('button')
      .find((one) => one.text().includes(words))
      ?.trigger('click')
  await press('mine')
  await flushPromises()
  expect([stored.name, stored.version, part.emitted('done')?.length]).toEqual(['Mine', 3, 1])
})

it('removes nothing at the first press', async () => {
  const part = mount(RemoveWay, { props: { name: 'Van' }, slots: { default: 'The rest stays.' } })
  await part.get('button').trigger('click')
  expect([part.emitted('remove'), part.text()]).toEqual([undefined, 'The rest stays. Remove Van'])
  await part.get('button').trigger('click')
  expect(part.emitted('remove')).toHaveLength(1)
})
