import { describe, expect, test } from '@jest/globals'
import { Container } from '#core/catalog'
import { containerOf as container, holderOf as holder } from '../../tests/support/containers'
import { arrangeContainer, CONTAINER_SHAPES, copyNames, keysBehind, planEmptying } from './index'

const filled = (own: Container, count: number) =>
  arrangeContainer(
    own,
    keysBehind([], -1, count).map((order, at) => holder(`${own.id}${at}`, own.id, order)),
    [],
  )

describe('building a room', () => {
  test('every common shape is a container', () => {
    for (const { id, ...shape } of CONTAINER_SHAPES) {
      const made = Container.safeParse({
        ...container('1'),
        ...shape,
        id: '0'.repeat(26),
        fixtureId: '0'.repeat(26),
        zoneId: '0'.repeat(26),
      })
      expect([id, made.success]).toEqual([id, true])
    }
  })
  test.each([
    ['Bin 4', 'B4', ['Bin 6', 'Bin 8'], ['B6', 'B8']],
    ['Tray', 'T', ['Tray 2', 'Tray 3'], ['T2', 'T3']],
  ])('%s is copied twice', (name, code, names, codes) => {
    const made = copyNames(
      { name, code },
      [
        { name: 'Bin 5', code: 'X' },
        { name: 'Other', code: 'b7' },
        { name: 'Bin 4', code: 'B4' },
      ],
      2,
    )
    expect([made.map(each => each.name), made.map(each => each.code)]).toEqual([names, codes])
  })
  test('emptied into another, all keep their order and go behind what stands there', () => {
    const [from, into] = [filled(container('1'), 4), filled(container('2', { lanes: 1 }), 3)]
    const plan = planEmptying(from, into)
    if (!plan.ok) throw new Error(plan.code)
    expect(
      arrangeContainer(into.container, [...into.placements.map(each => each.holder), ...plan.holders], []).placements.map(
        each => each.holder.id,
      ),
    ).toEqual(['20', '21', '22', '10', '11', '12', '13'])
  })
  test('into pages, cell after cell; where there are too few, nothing goes', () => {
    const pages = (count: number) =>
      container('p', { type: 'binder', cells: { rows: 1, columns: 2, pages: count, isTwoSided: false, cellSize: null, reuse: 'last' } })
    const plan = planEmptying(filled(container('1'), 3), arrangeContainer(pages(2), [], []))
    expect(plan.ok && plan.holders.map(each => [each.cell?.page, each.cell?.cell])).toEqual([
      [1, 1],
      [1, 2],
      [2, 1],
    ])
    expect(planEmptying(filled(container('1'), 3), arrangeContainer(pages(1), [], []))).toEqual({
      ok: false,
      code: 'cellsRunOut',
      free: 2,
      needed: 3,
    })
  })
})
