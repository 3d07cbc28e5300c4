import { ifThere, rounded } from './numbers'

type Described<Row> = {
  name: keyof Row & string
  label: string
  hint?: string
  /** It may be left empty. */
  optional?: boolean
  /** Asked only when this holds. */
  when?: (row: Row) => boolean
}

/** One thing that is asked about a row, and by what it is answered. */
export type FormField<Row> = Described<Row> &
  (
    | { as: 'text'; longest: number; type?: 'tel' | 'email' }
    | {
        as: 'number'
        suffix?: string
        step?: number
        digits?: number
        signed?: boolean
        /** Kept in one unit, typed in another. */
        unit?: { shown: (kept: number) => number; kept: (typed: number) => number }
      }
    | { as: 'day'; min?: string; max?: string }
    | { as: 'one'; options: Record<string, string>; none?: string }
    /** Yes, no, or nobody has said. */
    | { as: 'said'; none: string }
    | { as: 'tick' }
  )

/** What one asks about a row, checked against what it has. */
export const fieldsOf =
  <Row>() =>
  (...fields: FormField<Row>[]): FormField<Row>[] =>
    fields

/** The fields that are asked of this row as it stands. */
export const asked = <Row>(fields: FormField<Row>[], row: Row): FormField<Row>[] =>
  fields.filter((field) => field.when?.(row) ?? true)

/** A field's number as it is typed, and kept again. */
export const shownNumber = (field: { unit?: { shown: (kept: number) => number } }, kept: unknown): number | null =>
  ifThere(typeof kept === 'number' ? kept : null, field.unit?.shown ?? ((of) => of))

export const keptNumber = (field: { unit?: { kept: (typed: number) => number } }, typed: number | null) =>
  ifThere(typed, (of) => (field.unit ? rounded(field.unit.kept(of)) : of))

/** Yes and no as a list has them. */
export const saidOf = (kept: unknown): string | null => (kept === true ? 'yes' : kept === false ? 'no' : null)
