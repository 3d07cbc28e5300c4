import { describe, expect, it } from 'vitest'
import { asked, fieldsOf, keptNumber, saidOf, shownNumber } from './form'
import { asNumber, ifThere, rounded } from './numbers'
import { answered, each, refused } from './reckon'

describe('values that may not be there', () => {
  it('are made into nothing, and nought is there', () => {
    expect([ifThere(null, String), ifThere(undefined, String), ifThere(0, String)]).toEqual([null, null, '0'])
    expect([rounded(2.345), rounded(2.345, 2), rounded(2.96)]).toEqual([2.3, 2.35, 3])
  })
  it('come back as numbers from whatever a device kept', () => {
    expect(['', null, undefined, 'x', '12.5', 0, '0'].map(asNumber)).toEqual([null, null, null, null, 12.5, 0, 0])
  })
})

describe('what a form asks', () => {
  type Row = { kind: string; ml: number | null }
  const fields = fieldsOf<Row>()(
    { name: 'kind', label: 'Kind', as: 'text', longest: 20 },
    { name: 'ml', label: 'How much', as: 'number', when: (row) => row.kind === 'bottle' },
  )
  it('depends on the row as it stands', () => {
    expect(asked(fields, { kind: 'bottle', ml: null }).map((field) => field.name)).toEqual(['kind', 'ml'])
    expect(asked(fields, { kind: 'washer', ml: null }).map((field) => field.name)).toEqual(['kind'])
  })
  it('shows a number in one unit and keeps it in another', () => {
    const unit = { shown: (ml: number) => ml / 30, kept: (oz: number) => oz * 30 }
    expect([
      shownNumber({ unit }, 90),
      shownNumber({}, 90),
      shownNumber({ unit }, null),
      shownNumber({}, '90'),
    ]).toEqual([3, 90, null, null])
    expect([keptNumber({ unit }, 1.234), keptNumber({}, 1.234), keptNumber({ unit }, null)]).toEqual([37, 1.234, null])
  })
  it('tells yes, no and not said apart', () => {
    expect([true, false, null, undefined, 1].map(saidOf)).toEqual(['yes', 'no', null, null, null])
  })
})

describe('an answer of a model', () => {
  const fault = { error: 'invalid' as const, field: 'text', message: 'Write it as on the label.' }
  const good = { share: 0.1, read_as: '1 part' }
  it('is told from what is wrong with the question', () => {
    expect([answered(good), answered(fault), answered(undefined), answered([good])]).toEqual([good, null, null, null])
    expect([refused(good), refused(fault), refused(undefined), refused([fault])]).toEqual([null, fault, null, null])
    expect(refused({ error: 'is a word' })).toBeNull()
    expect(refused({ message: 'is a word' })).toBeNull()
  })
  it('comes in its place among many', () => {
    expect(each([good, fault])).toEqual([good, null])
    expect([each(good), each(undefined)]).toEqual([[], []])
  })
})
