import { afterEach, expect, test } from '@jest/globals'
import { effectScope } from 'vue'
import { type Calls, startThread } from '../../../tests/support/thread'
import { usePress } from './usePress'

const scope = effectScope()
afterEach(() => scope.stop())

test('stopped while it is laid, nothing is made of it; what is asked for next is', async () => {
  const press = scope.run(() =>
    usePress<Calls, string>(startThread, { layOut: run => run(api => api.wait(300)), askWaiting: () => Promise.resolve([]) }),
  )
  if (!press) throw new Error('no press')
  let calls = 0
  const work = (): Promise<string | null> =>
    press.work('printing', () => {
      calls += 1
      return press.run(api => api.wait(1))
    })
  const first = work()
  expect(press.progress.value).not.toBeNull()
  // The worker is at work on what is laid.
  await new Promise(resolve => setTimeout(resolve, 50))
  press.cancel()
  expect(await first).toBeNull()
  expect([calls, press.progress.value, press.stopped.value]).toEqual([0, null, 'cancelled'])
  expect(await work()).toBe('waited')
  expect([calls, press.laid.value, press.stopped.value]).toEqual([1, 'waited', null])
})
