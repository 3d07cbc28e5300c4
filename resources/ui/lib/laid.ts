import { api, Problem, told, type Schemas } from '@/api/client'

/** Which sheet a visit that has begun already is worked on; null when something else stands in the way. */
export function goesOnWith(caught: unknown): string | null {
  const id = caught instanceof Problem && caught.status === 409 ? caught.current?.id : null
  return typeof id === 'string' ? id : null
}

/** Lays the sheet of a visit; where somebody has begun one meanwhile, one goes on with that. */
export async function laidOrGoingOn(body: Schemas['SheetInput']): Promise<string> {
  try {
    return (await told(api.POST('/api/v1/sheets', { body }))).id
  } catch (caught) {
    const other = goesOnWith(caught)
    if (other === null) throw caught
    return other
  }
}
