import { expect, it } from 'vitest'
import { ago } from './ago'

it('says so many seconds as coarsely as a person would', () => {
  expect([-3, 0, 0.6, 119, 120, 719, 7199, 7200, 172_799, 172_800, 900_000].map(ago)).toEqual([
    '0 s',
    '0 s',
    '1 s',
    '119 s',
    '2 minutes',
    '11 minutes',
    '119 minutes',
    '2 hours',
    '47 hours',
    '2 days',
    '10 days',
  ])
})
