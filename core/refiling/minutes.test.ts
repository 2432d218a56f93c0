import { expect, test } from '@jest/globals'
import { minutesFor } from './index'

test('who has worked through enough is taken at their own pace; who has hardly begun at the usual one', () => {
  const own = { liftsDone: 40, minutesWorked: 10 }
  expect(minutesFor([own, { liftsDone: 60, minutesWorked: 40 }], 20, 9)).toEqual({ minutes: 10, isOwnPace: true })
  expect(
    minutesFor(
      [
        { liftsDone: 19, minutesWorked: 90 },
        { liftsDone: 90, minutesWorked: 0 },
      ],
      20,
      6,
    ),
  ).toEqual({ minutes: 4, isOwnPace: false })
  expect(minutesFor([own], 0, 0).minutes).toBe(0)
})
