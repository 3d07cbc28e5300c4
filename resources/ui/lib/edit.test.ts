import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@/api/client'

const invalidated: unknown[] = []
vi.mock('@tanstack/vue-query', () => ({
  useQueryClient: () => ({ invalidateQueries: ({ queryKey }: { queryKey: unknown }) => invalidated.push(queryKey) }),
}))
const { useEdit } = await import('./edit')

type Row = { name: string; version: number }

describe('editing what others may edit too', () => {
  let stored: Row
  let seen: string[]

  const edit = () =>
    useEdit<Row>({
      load: async () => ({ data: stored, tag: `"${stored.version}"` }),
      save: async (row, tag) => {
        seen.push(tag)
        if (tag !== `"${stored.version}"`) throw new Problem(412, 'Someone else was faster', '', [], { ...stored })
        if (row.name === '') throw new Problem(422, 'No', 'No', [{ pointer: '/name', detail: 'It needs a name.' }])
        stored = { name: row.name, version: stored.version + 1 }
      },
      touches: [['rows'], ['film']],
    })

  beforeEach(() => {
    stored = { name: 'Van', version: 1 }
    seen = []
    invalidated.length = 0
  })

  it('works on a copy: nothing shows elsewhere before it is saved', async () => {
    const mine = edit()
    await mine.load()
    if (mine.form) mine.form.name = 'Grey van'
    expect(stored.name).toBe('Van')
    expect(await mine.save()).toBe(true)
    expect([stored, invalidated]).toEqual([{ name: 'Grey van', version: 2 }, [['rows'], ['film']]])
  })

  it('keeps what was typed when it is refused, and points at the field', async () => {
    const mine = edit()
    await mine.load()
    if (mine.form) mine.form.name = ''
    expect(await mine.save()).toBe(false)
    expect([mine.form?.name, mine.fields, mine.busy]).toEqual(['', { name: 'It needs a name.' }, false])
    expect(invalidated).toEqual([])
  })

  it('shows what is saved now when someone was faster, and leaves both ways open', async () => {
    const mine = edit()
    await mine.load()
    if (mine.form) mine.form.name = 'Mine'
    stored = { name: 'Hers', version: 2 }
    expect(await mine.save()).toBe(false)
    expect([mine.newer, mine.form?.name]).toEqual([{ name: 'Hers', version: 2 }, 'Mine'])
    expect(await mine.overrule()).toBe(true)
    expect([stored, seen]).toEqual([{ name: 'Mine', version: 3 }, ['"1"', '"2"']])

    const other = edit()
    await other.load()
    if (other.form) other.form.name = 'Lost'
    stored = { name: 'Kept', version: 9 }
    await other.save()
    await other.takeTheirs()
    expect([other.form, other.problem]).toEqual([{ name: 'Kept', version: 9 }, null])
  })

  it('keeps what was typed when the signal is lost between seeing theirs and saving mine', async () => {
    let offline = false
    const mine = useEdit<Row>({
      load: async () => {
        if (offline) throw Problem.offline()
        return { data: { name: 'Van', version: 1 }, tag: '"1"' }
      },
      save: async () => {
        throw new Problem(412, 'Someone else was faster', '', [], { name: 'Hers', version: 2 })
      },
      touches: [],
    })
    await mine.load()
    if (mine.form) mine.form.name = 'Mine'
    await mine.save()
    offline = true
    expect(await mine.overrule()).toBe(false)
    await mine.takeTheirs()
    expect([mine.form?.name, (mine.problem as Problem).status]).toEqual(['Mine', 0])
  })

  it('saves nothing before it has loaded', async () => {
    expect(await edit().save()).toBe(false)
    expect(seen).toEqual([])
  })
})
