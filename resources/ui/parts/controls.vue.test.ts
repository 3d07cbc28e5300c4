import { mount, type VueWrapper } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { nextTick, type Component } from 'vue'
import { i18n, speak } from '@/lib/i18n'
import DayInput from './DayInput.vue'
import Field from './Field.vue'
import NumberInput from './NumberInput.vue'
import OneOf from './OneOf.vue'
import TextInput from './TextInput.vue'
import TickMany from './TickMany.vue'

// What opens over the page is tried in the browser.
const global = { plugins: [i18n], stubs: { ElTooltipContent: true } }
const put = (part: Component, props: Record<string, unknown>, panel = false): VueWrapper =>
  mount(part, { props, global: panel ? { plugins: [i18n] } : global, attachTo: document.body })
const last = (wrapper: VueWrapper) => wrapper.emitted('update:modelValue')?.at(-1)?.[0]

it('takes numbers as they are typed: nothing is null, and nothing is made to fit', async () => {
  const part = put(NumberInput, { modelValue: 14, suffix: 'mg/l' })
  const input = part.get('input')
  expect(input.element.value).toBe('14')
  for (const [typed, kept] of [
    ['-3', -3],
    ['130', 130],
    ['0', 0],
    ['2.75', 2.75],
    ['', null],
  ] as const) {
    await input.setValue(typed)
    expect(last(part), typed).toBe(kept)
  }
  expect(part.text()).toContain('mg/l')
  part.unmount()
})

it('reads a number that a device kept as text, and keeps nothing for nothing', () => {
  const shown = (modelValue: unknown) => put(NumberInput, { modelValue }).get('input').element.value
  expect([shown('70'), shown('0'), shown(''), shown(null), shown(undefined), shown('x')]).toEqual([
    '70',
    '0',
    '',
    '',
    '',
    '',
  ])
})

it('gives money its decimals, and a phone the keys it needs', () => {
  expect(put(NumberInput, { modelValue: 61.5, digits: 2 }).get('input').element.value).toBe('61.50')
  expect(put(NumberInput, { modelValue: 1 }).get('input').attributes('inputmode')).toBe('decimal')
  expect(put(NumberInput, { modelValue: 1, signed: true }).get('input').attributes('inputmode')).toBeUndefined()
  // The browser holds no opinion of its own on decimals.
  expect(put(NumberInput, { modelValue: 1 }).get('input').attributes('step')).toBe('any')
})

it('writes a day as whoever reads does, and keeps it as it is kept', async () => {
  const shown = (props: Record<string, unknown>) => put(DayInput, props).get('input').element.value
  expect(shown({ modelValue: '2026-03-05' })).toBe('5 Mar 2026')
  expect(shown({ modelValue: '2026-03-05T18:30', time: true })).toBe('5 Mar 2026 18:30')
  expect([shown({ modelValue: '' }), shown({ modelValue: null })]).toEqual(['', ''])
  // The panel reads what is typed.
  const part = put(DayInput, { modelValue: '2026-03-05', max: '2026-03-10' }, true)
  await nextTick()
  const input = part.get('input')
  await input.setValue('31 Mar 2026')
  await input.trigger('change')
  expect(last(part), 'What can’t be is refused by whoever knows why.').toBe('2026-03-31')
  const kept = put(DayInput, { modelValue: '2026-03-05T18:30', time: true, required: true }, true)
  await nextTick()
  await kept.get('input').setValue('')
  await kept.get('input').trigger('change')
  expect([last(kept), kept.get('input').element.value]).toEqual([undefined, '5 Mar 2026 18:30'])
  await kept.get('input').setValue('6 Mar 2026 07:00')
  await kept.get('input').trigger('change')
  expect(last(kept)).toBe('2026-03-06T07:00')
  await speak('de')
  await nextTick()
  expect(shown({ modelValue: '2026-12-05' })).toBe('05.12.2026')
  await speak('en')
})

it('lets nothing be chosen where nothing has a name', async () => {
  const props = { options: { van: 'Van', coach: 'Coach' }, none: 'label is silent', modelValue: null }
  const part = put(OneOf, props)
  expect(part.text()).toContain('label is silent')
  const select = part.getComponent({ name: 'ElSelect' })
  select.vm.$emit('update:modelValue', 'coach')
  expect(last(part)).toBe('coach')
  select.vm.$emit('update:modelValue', '')
  expect(last(part)).toBeNull()
  // A name for all is a value of its own.
  const all = put(OneOf, { options: { '': 'For all', a: 'Fortnight' }, modelValue: 'a' })
  all.getComponent({ name: 'ElSelect' }).vm.$emit('update:modelValue', '')
  expect(last(all)).toBe('')
})

it('finds by typing only where there is much to find', () => {
  const of = (n: number) => Object.fromEntries(Array.from({ length: n }, (_, i) => [`k${i}`, `Name ${i}`]))
  const readonly = (n: number) => put(OneOf, { options: of(n), modelValue: null }).get('input').element.readOnly
  expect([readonly(3), readonly(9), readonly(10)]).toEqual([true, true, false])
})

it('ticks any of a few', async () => {
  const options = [
    { value: 'paint', name: 'Paint' },
    { value: 'glass', name: 'Glass' },
  ]
  const part = put(TickMany, { label: 'Made for', options, modelValue: ['glass'], error: 'At least one.' })
  expect(part.findAll('input').map((input) => input.element.checked)).toEqual([false, true])
  await part.findAll('input')[0]?.setValue(true)
  expect(last(part)).toEqual(['glass', 'paint'])
  expect(part.text()).toContain('At least one.')
})

it('ties a hint, and then an error, to what is typed', async () => {
  const part = mount(
    {
      components: { Field, TextInput, NumberInput },
      props: ['error'],
      template: `<div>
        <Field label="Name" hint="As on the label" :error="error"><template #default="f"><TextInput v-bind="f" model-value="a" /></template></Field>
        <Field label="Left" hint="In the bottle" :error="error"><template #default="f"><NumberInput v-bind="f" :model-value="1" /></template></Field>
      </div>`,
    },
    { props: { error: '' }, global, attachTo: document.body },
  )
  const told = () =>
    part.findAll('input').map((input) => {
      part.get(`label[for="${input.attributes('id') ?? ''}"]`)
      return part.get(`#${input.attributes('aria-describedby') ?? ''}`).text()
    })
  await nextTick()
  expect(told()).toEqual(['As on the label', 'In the bottle'])
  await part.setProps({ error: 'It can’t be empty.' })
  await nextTick()
  expect(told()).toEqual(['It can’t be empty.', 'It can’t be empty.'])
})
