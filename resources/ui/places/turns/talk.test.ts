import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { askOf, fromTable, isRead, type Talk } from './talk'

describe('what was read', () => {
  it('is asked by stage, the whole and each part by itself', () => {
    expect(
      askOf(
        { arrival: { whole: 'flat' }, after_wash: { whole: 'good', low: 'weak' }, after_decon: { top: 'tight' } },
        'beads',
        false,
      ),
    ).toEqual({
      designed: 'beads',
      topper: false,
      arrival: 'flat',
      after_wash: 'good',
      parts: { top: { after_decon: 'tight' }, sides: {}, low: { after_wash: 'weak' } },
    })
    expect(askOf({ after_topper: { whole: 'tight', sides: 'good' } }, 'sheets', true)).toMatchObject({
      after_topper: 'tight',
      parts: { sides: { after_topper: 'good' } },
    })
  })
  it('is something as soon as anything was read', () => {
    expect([isRead({}), isRead({ arrival: {} }), isRead({ arrival: { sheets_s: 4 } })]).toEqual([false, false, false])
    for (const part of ['whole', 'top', 'sides', 'low'] as const)
      expect(isRead({ arrival: {}, after_wash: { [part]: 'weak' } })).toBe(true)
  })
  it('finds its answer in a sheet’s table while nobody can be asked', () => {
    const talk = (verdict: string) => ({ verdict }) as Talk
    const table = {
      designed: 'beads',
      topper: true,
      of: { flat: 'f', tight: 't' },
      by: { 'f---': 0, 'ft--': 1 },
      answers: [talk('unclear'), talk('sound')],
    } as Schemas['TalkTable']
    expect(fromTable(table, { arrival: { whole: 'flat' } })?.verdict).toBe('unclear')
    expect(fromTable(table, { arrival: { whole: 'flat' }, after_wash: { whole: 'tight' } })?.verdict).toBe('sound')
    expect(fromTable(table, { after_wash: { whole: 'tight' } })).toBeNull()
    expect(fromTable(undefined, { arrival: { whole: 'flat' } })).toBeNull()
  })
})
