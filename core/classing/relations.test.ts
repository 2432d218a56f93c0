import { describe, expect, test } from '@jest/globals'
import { doubtAbout, faultOf } from './index'

const thing = (family: 'die' | 'stamp' | 'stencil' | null, categoryName = '') => ({ id: 'x', family, categoryName })

describe('what goes with what', () => {
  test.each([
    ['a die for a stamp', 'dieForStamp', thing('die'), thing('stamp'), null],
    ['a stamp as a die', 'dieForStamp', thing('stamp'), thing('stamp'), 'fromNoDie'],
    ['a die for a stencil', 'dieForStamp', thing('die'), thing('stencil'), 'toNoStamp'],
    ['kinds not known yet', 'dieForStamp', thing(null), thing(null), null],
    ['letters and letters', 'sameLettersOtherStyle', thing('stamp', 'Alphabets'), thing('die', 'Alphabets'), null],
    ['letters and a border', 'sameLettersOtherStyle', thing('stamp', 'Alphabets'), thing('stamp', 'Borders'), 'notBothLetters'],
    ['anything layers', 'layersWith', thing('stencil'), thing('die'), null],
  ] as const)('%s', (_title, kind, from, to, doubt) => {
    expect(doubtAbout(kind, from, to)).toBe(doubt)
  })
  test('never with itself, and never twice, whichever was named first', () => {
    const kept = [{ id: 'r', fromId: 'a', toId: 'b', kind: 'layersWith' as const }]
    expect(faultOf({ fromId: 'a', toId: 'a', kind: 'layersWith' }, [])).toBe('itself')
    expect(faultOf({ fromId: 'b', toId: 'a', kind: 'layersWith' }, kept)).toBe('twice')
    expect(faultOf({ fromId: 'b', toId: 'a', kind: 'sameCollection' }, kept)).toBeNull()
  })
})
