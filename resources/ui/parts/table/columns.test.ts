import { describe, expect, it } from 'vitest'
import { guess, readSheet, underOurs, written } from './columns'

const ours = ['name', 'client', 'body', 'plate', 'note']

describe('a table of somebody else’s', () => {
  it('is read whatever separates its cells, with quotes, a mark before it and empty lines', () => {
    const sheet = readSheet('\uFEFFCar;Registration;;Car\n"Van; old";AB 1;x;y\n\n;;;\nBus;;;\n')
    expect(sheet.heads).toEqual(['Car', 'Registration', 'column 3', 'Car (4)'])
    expect(sheet.rows).toHaveLength(2)
    expect(sheet.rows[0]).toEqual({ Car: 'Van; old', Registration: 'AB 1', 'column 3': 'x', 'Car (4)': 'y' })
  })

  it('has its columns guessed by name, by what others call them, each once', () => {
    expect(guess(ours, ['Customer Name', 'NAME', 'Licence-Plate', 'Remarks', 'Balance'])).toEqual({
      name: 'NAME',
      client: 'Customer Name',
      plate: 'Licence-Plate',
      note: 'Remarks',
    })
    expect(guess(['phone', 'email'], ['Telefon', 'Work e mail'])).toEqual({ phone: 'Telefon', email: 'Work e mail' })
    expect(guess(ours, [])).toEqual({})
  })

  it('comes out under our heads, with what is awkward in quotes', () => {
    const sheet = readSheet('Car,Reg,Colour\n"A ""big"" van",X1,red\n')
    const rows = underOurs(sheet, { name: 'Car', plate: 'Reg', note: '' })
    expect(rows).toEqual([{ name: 'A "big" van', plate: 'X1' }])
    expect(written(rows)).toBe('name,plate\r\n"A ""big"" van",X1')
    expect(readSheet(written(rows)).rows).toEqual(rows)
  })
})
