import { describe, expect, it } from 'vitest'
import { commandsFor, houses } from './places'
import { withNewest } from './recent'

describe('finding', () => {
  it('knows a command by any word it is called by, in any order', () => {
    expect(commandsFor('csv clients').map((one) => one.to)).toEqual(['/book/files'])
    expect(commandsFor('DILUTION').map((one) => one.name)).toEqual(['Mix'])
    expect(commandsFor('no such thing')).toEqual([])
  })

  it('keeps what was seen last first, each once, and few', () => {
    const one = (n: number) => ({ to: `/vehicles/${n}`, name: String(n), what: 'Vehicle' })
    let seen = withNewest([], one(1))
    for (let n = 2; n < 12; n++) seen = withNewest(seen, one(n))
    expect(seen.map((each) => each.name)).toEqual(['11', '10', '9', '8', '7', '6', '5', '4'])
    expect(withNewest(seen, one(8))[0]?.name).toBe('8')
    expect(withNewest(seen, one(8))).toHaveLength(8)
  })

  it('gives every place a key of its own', () => {
    expect(new Set(houses.map((one) => one.key)).size).toBe(houses.length)
  })
})
