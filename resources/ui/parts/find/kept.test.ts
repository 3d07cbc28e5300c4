import { expect, it } from 'vitest'
import { kept } from './kept'

const rows = (...names: string[]) => names.map((to) => ({ to }))

it.each([
  ['the row gone to stays chosen where others come before it', 1, rows('a', 'b'), rows('x', 'a', 'b'), 2],
  ['the first is the first, whatever comes before', 0, rows('a', 'b'), rows('x', 'a'), 0],
  ['what is gone leaves the first', 1, rows('a', 'b'), rows('a', 'c'), 0],
  ['nothing found', 1, rows('a', 'b'), [], 0],
])('%s', (_, at, before, now, expected) => {
  expect(kept(at, before, now)).toBe(expected)
})
