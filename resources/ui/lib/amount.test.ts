import { describe, expect, it } from 'vitest'
import { readAmount, sayShare } from './amount'

describe('a volume as people write it', () => {
  it.each([
    ['500', 'metric', 500],
    ['8 oz', 'metric', 236.588],
    ['8 oz', 'imperial', 227.304],
    ['8 imp oz', 'metric', 227.304],
    ['8 fl. oz', 'us', 236.588],
    ['8', 'us', 236.588],
    ['1,5 l', 'metric', 1500],
    ['.5 gal', 'us', 1892.706],
    ['1/2 gal', 'imperial', 2273.045],
    ['2 US gallons', 'imperial', 7570.824],
    ['15 Litres', 'us', 15000],
  ] as const)('%s in a %s workspace', (text, system, ml) => {
    expect(readAmount(text, system)).toBeCloseTo(ml, 2)
  })

  it.each(['', 'some', '-3 l', '0', '5 spoons', '1/0 l', '3 4 l'])('“%s” is none', (text) => {
    expect(readAmount(text, 'metric')).toBeNull()
  })
})

describe('a share in words', () => {
  it('is said as parts and as per cent', () => {
    expect(sayShare(0.01)).toBe('1 : 99 (1 %)')
    expect(sayShare(1)).toBe('neat')
  })
})
