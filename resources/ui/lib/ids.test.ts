import { expect, it } from 'vitest'
import { newId } from './ids'

it('makes version 7 ids that sort by their time and never repeat', () => {
  const ids = [0, 1, 255, 256, 1_700_000_000_000, 1_800_000_000_000].map((moment) => newId(moment))
  for (const id of ids) expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
  expect([...ids].sort()).toEqual(ids)
  expect(new Set(Array.from({ length: 500 }, () => newId(1))).size).toBe(500)
})
