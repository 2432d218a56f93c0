import { createRequire } from 'node:module'
import { Worker as Thread } from 'node:worker_threads'
import nodeEndpoint from 'comlink/dist/umd/node-adapter'

/** A real thread with the calls of a worker: it counts its calls, waits, throws in and outside of a promise. */
const SOURCE = `
  const { parentPort } = require('node:worker_threads')
  const { expose } = require(${JSON.stringify(createRequire(__filename).resolve('comlink'))})
  const endpoint = require(${JSON.stringify(createRequire(__filename).resolve('comlink/dist/umd/node-adapter'))})
  let known = 0
  expose(
    {
      know(what) { known = what },
      known: () => known,
      wait: ms => new Promise(resolve => setTimeout(() => resolve('waited'), ms)),
      fail() { throw new Error('refused') },
      crash() { setTimeout(() => { throw new Error('broken') }); return new Promise(() => {}) },
    },
    (endpoint.default ?? endpoint)(parentPort),
  )
`
/** The calls of the thread. */
export interface Calls {
  know(what: number): void
  known(): number
  wait(ms: number): Promise<string>
  fail(): void
  crash(): Promise<never>
}
/** The threads that were started since they were last forgotten, and those of them that were ended. */
export const started = new Set<Thread>()
export const terminated = new Set<Thread>()
/** The thread as a browser shows a worker. */
export function startThread(): Worker {
  const thread = new Thread(SOURCE, { eval: true })
  started.add(thread)
  const told = new EventTarget()
  thread.on('error', (problem: Error) => told.dispatchEvent(Object.assign(new Event('error'), { message: problem.message })))
  const { postMessage, addEventListener, removeEventListener, start } = nodeEndpoint(thread)
  return {
    postMessage,
    start,
    addEventListener: (type: string, listener: EventListener) =>
      type === 'error' ? told.addEventListener(type, listener) : addEventListener(type, listener),
    removeEventListener,
    terminate() {
      terminated.add(thread)
      void thread.terminate()
    },
  } as unknown as Worker
}
