import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { readPlace } from './index'

const NOWHERE = { page: null, cell: null, slot: null, side: null }
const place = (family: string, mark: string, behind: object = {}) => ({ as: 'in', family, mark, behind: { ...NOWHERE, ...behind } })

describe('places as lists write them', () => {
  test.each([
    ['CD 82', place('cd', '82')],
    ['CD82', place('cd', '82')],
    ['cd-082', place('cd', '82')],
    ['drawer 3', place('drawer', '3')],
    ['Drawer three', place('drawer', '3')],
    ['drawer #3', place('drawer', '3')],
    ['in the bottom drawer', null],
    ['Bin 4', place('bin', '4')],
    ['bin 4 front', place('bin', '4', { side: 'front' })],
    ['Bin 4, left, 11', place('bin', '4', { side: 'left', slot: 11 })],
    ['B4-11', place('b', '4', { slot: 11 })],
    ['B1079', place('b', '1079')],
    ['binder A p6', place('binder', 'A', { page: 6 })],
    ['binder A page 6 pocket 3', place('binder', 'A', { page: 6, cell: 3 })],
    ['binder A p6 3', place('binder', 'A', { page: 6, cell: 3 })],
    ['box 2', place('box', '2')],
    ['basket', place('basket', '')],
    ['Schublade drei', place('drawer', '3')],
    ['Kiste 2 vorne', place('box', '2', { side: 'front' })],
    ['Ordner B S. 7', place('binder', 'B', { page: 7 })],
    ['Ordner B, Seite 7, Fach 2', null],
    ['classeur A page 4', place('binder', 'A', { page: 4 })],
    ['tiroir n° 5', place('drawer', '5')],
    ['lade twee', place('drawer', '2')],
    ['cajón 3', place('drawer', '3')],
    ['cassetto tre', place('drawer', '3')],
    ['låda 6', place('drawer', '6')],
    ['skuffe 2', place('drawer', '2')],
    ['16-203', { as: 'cell', cells: 16, page: 2, cell: 3, isBack: false }],
    ['12-104b', { as: 'cell', cells: 12, page: 1, cell: 4, isBack: true }],
    ['123 W', { as: 'number', text: '123 W' }],
    ['25', { as: 'number', text: '25' }],
    ['table', { as: 'out' }],
    ['auf dem Tisch', { as: 'out' }],
    ['??', { as: 'unknown' }],
    ['unbekannt', { as: 'unknown' }],
    ['with Anna', null],
    ['bei Oma', null],
    ['', null],
    ['bin 4 or 5 or 6', null],
  ])('%s', (text, expected) => {
    const reading = readPlace(text)
    if (expected === null) expect(reading).toBeNull()
    else expect(reading).toMatchObject(expected)
  })

  test('however a container and a page are written, they are read to the same place, and two places never to one (property)', () => {
    const families = [
      ['drawer', ['drawer', 'Drawer', 'Schublade', 'tiroir', 'cajón']],
      ['bin', ['bin', 'Bin', 'bins', 'Behälter']],
      ['binder', ['binder', 'Ordner', 'classeur', 'ALBUM']],
    ] as const
    const spot = fc.record({
      family: fc.nat(families.length - 1),
      mark: fc.integer({ min: 1, max: 400 }),
      page: fc.option(fc.integer({ min: 1, max: 90 })),
    })
    type Spot = { readonly family: number; readonly mark: number; readonly page: number | null }
    const forms = ({ family, mark, page }: Spot): readonly string[] =>
      (families[family]?.[1] ?? []).flatMap(word =>
        [`${word} ${mark}`, `${word}${mark}`, `${word} #${mark}`, `${word} no. 0${mark}`, `${word}-${mark}`].flatMap(container =>
          page === null ? [container] : [`${container} p${page}`, `${container}, page ${page}`, `${container} S. ${page}`],
        ),
      )
    const key = (text: string): string => JSON.stringify(readPlace(text))
    fc.assert(
      fc.property(spot, spot, (one, two) => {
        const read = new Set(forms(one).map(key))
        expect([...read]).toHaveLength(1)
        expect(readPlace(forms(one)[0] ?? '')).toMatchObject({ family: families[one.family]?.[0], mark: String(one.mark) })
        const isSame = one.family === two.family && one.mark === two.mark && one.page === two.page
        expect(read.has(key(forms(two)[0] ?? ''))).toBe(isSame)
      }),
    )
  })
  test('whatever is written, reading it ends and says one thing (property)', () => {
    fc.assert(fc.property(fc.string({ unit: 'grapheme', maxLength: 80 }), text => void readPlace(text)))
  })
})
