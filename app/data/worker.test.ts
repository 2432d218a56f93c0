import { afterEach, expect, test } from '@jest/globals'
import { type Calls, started, startThread, terminated } from '../../tests/support/thread'
import { type WorkerHandle, workerHandle } from './worker'

const handles: WorkerHandle<Calls>[] = []
function handle(prepare?: Parameters<typeof workerHandle<Calls>>[1]): WorkerHandle<Calls> {
  const made = workerHandle<Calls>(startThread, prepare)
  handles.push(made)
  return made
}
afterEach(() => {
  handles.forEach(each => each.end())
  terminated.clear()
  started.clear()
})

test('a call after a cancel runs on a new worker, whose call is not lost when the one before it ends', async () => {
  const worker = handle(api => api.wait(5))
  const first = worker.run(api => api.wait(60_000))
  worker.cancel()
  const second = worker.run(api => api.wait(1))
  await expect(first).rejects.toMatchObject({ code: 'cancelled' })
  await expect(second).resolves.toBe('waited')
  // Five changes in a row: each ends the one before it, and after the last one worker runs.
  const asked = [1, 2, 3, 4, 5].map(() => {
    worker.cancel()
    return worker.ask(api => api.wait(1))
  })
  expect(await Promise.all(asked)).toEqual([null, null, null, null, 'waited'])
  worker.end()
  expect(terminated.size).toBe(started.size)
})

test('a worker that breaks is started anew, and told what the broken one knew', async () => {
  const worker = handle(async api => api.know((await api.wait(5)).length))
  expect(await worker.run(api => api.known())).toBe('waited'.length)
  await worker.run(api => api.know(8))
  await expect(worker.run(api => api.crash())).rejects.toMatchObject({ code: 'crashed' })
  expect(worker.isRunning()).toBe(false)
  expect(await worker.run(api => api.known())).toBe('waited'.length)
  expect(started.size).toBe(2)
})

test('a call that throws leaves the worker as it is; after a preparation that failed the next call starts another worker', async () => {
  const worker = handle()
  await worker.run(api => api.know(3))
  await expect(worker.run(api => api.fail())).rejects.toThrow('refused')
  expect(await worker.run(api => api.known())).toBe(3)
  let times = 0
  const unlucky = handle(api => (times++ === 0 ? api.fail() : api.know(5)))
  expect(await unlucky.ask(api => api.known())).toBe(null)
  expect(await unlucky.ask(api => api.known())).toBe(5)
})

test('after the end no worker is started', async () => {
  const worker = handle()
  const call = worker.run(api => api.wait(60_000))
  worker.end()
  await expect(call).rejects.toMatchObject({ code: 'cancelled' })
  await expect(worker.run(api => api.known())).rejects.toMatchObject({ code: 'cancelled' })
  expect([started.size, worker.isRunning()]).toEqual([1, false])
})
