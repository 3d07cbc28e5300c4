import { describe, expect, it } from 'vitest'
import { handsSaid, kindsSaid, seenSaid } from './words'

describe('what is said', () => {
  it('names whose hands a step takes', () => {
    expect(handsSaid([1, 2], 2)).toBe('both')
    expect(handsSaid([1, 2, 3], 3)).toBe('all')
    expect(handsSaid([2], 3)).toBe('second')
    expect(handsSaid([1, 3], 4)).toBe('first and third')
  })

  it('puts kinds and sights into a sentence', () => {
    expect(kindsSaid(['wash', 'topper', 'decon'])).toBe('wash, topper and decontamination')
    expect(seenSaid(['thin', 'edges-lift'])).toBe('thin in places, edges lift')
  })
})
