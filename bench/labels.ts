import { type CatalogueData, type LabelHabits, SET_LABELS, START_LABELS } from '#core/catalog'
import { composeLabels, inFilingOrder, type LabelThing, type Measure, tapeLengths, wishesOf } from '#core/printing'
import { arrangeRoom } from '#core/room'
import { labelledSets, LABEL_TABLES, type LabelTables } from '~/areas/index/labels/things'
import { labelWords } from '~/areas/index/labels/words'
import { measureOnPaper } from './onPaper'
import { makeLarge } from './collection'
import { median, ms, report } from './measure'
import { makeLetterRoom } from '../demo/letterRoom'

function thingsIn(data: CatalogueData, labels: LabelHabits): readonly LabelThing[] {
  const tables = Object.fromEntries(
    LABEL_TABLES.map(table => [table, new Map(data[table].map(each => [each.id, each]))]),
  ) as unknown as LabelTables
  return labelledSets(tables, { labels }, arrangeRoom(data), []).things
}
function compose(things: readonly LabelThing[], habits: LabelHabits, measure: Measure) {
  const space = {
    printableMm: habits.tapeWidthMm - 2 * habits.edgeMm,
    wholeMm: habits.tapeWidthMm,
    longestMm: habits.longestMm,
    isFixed: false,
  }
  return composeLabels(things, { space, hasCode: habits.hasCode, words: { sets: labelWords.sets }, measure })
}

/** How long labels take, and how much tape a chain saves in the demo room, by what they say. */
export async function labels(): Promise<void> {
  const measure = await measureOnPaper()
  const many = thingsIn(makeLarge(500), START_LABELS)
  for (const [what, habits] of [
    ['two lines', START_LABELS],
    ['two lines, with a square code', { ...START_LABELS, hasCode: true }],
    ['two lines on 9 mm, 30 mm long at most: nearly all are shortened', { ...START_LABELS, tapeWidthMm: 9, longestMm: 30 }],
  ] as const) {
    const times = Array.from({ length: 5 }, () => {
      const start = performance.now()
      const laid = compose(many, habits, measure)
      wishesOf(inFilingOrder(many), laid, new Map(), () => null)
      return performance.now() - start
    })
    report(`500 labels set and in order, ${what}`, `${ms(times[0] ?? 0)} at first, then ${ms(median(times))}`, '200 ms')
  }
  const { data } = makeLetterRoom()
  for (const template of SET_LABELS) {
    const habits = { ...START_LABELS, template }
    const laid = [...compose(thingsIn(data, habits), habits, measure).values()]
    const { chainedMm, singlyMm } = tapeLengths(
      laid.map(({ lengthMm }) => lengthMm),
      habits,
    )
    const { singlyMm: narrowMm } = tapeLengths(
      laid.map(({ lengthMm }) => lengthMm),
      { ...habits, singlyAfterMm: habits.afterMm },
    )
    const metres = (mm: number): string => `${(mm / 1000).toFixed(1)} m`
    report(
      `Demo room, ${laid.length} labels, ${template}`,
      `${metres(chainedMm)} chained of ${metres(singlyMm)} singly, ${Math.round((chainedMm / singlyMm) * 100)} %`,
      '55 %',
    )
    report('  against a machine that leaves no blank behind', `${Math.round((chainedMm / narrowMm) * 100)} %`, 'printed beside it')
  }
}
