import { addAbortSignal } from 'node:stream'
import { json } from 'node:stream/consumers'
import { createError, getRequestHeader, type H3Event, setHeader } from 'h3'

/** Bytes of bodies that may be under way at once, of all who send. */
const AT_ONCE_BYTES = 16 * 1024 * 1024
/** So long a body may take: who stops in the middle of it holds nothing for longer. */
const WITHIN_MS = 10_000

let underWay = 0

/**
 * The JSON of a body of at most so many bytes. Room for all of it is taken before the first byte is read, so that many who send at once, or
 * begin and stop, take no more than there is; who finds none is told to come again. Refuses what is no JSON.
 */
export async function readJson(event: H3Event, mostBytes: number): Promise<unknown> {
  const length = Number(getRequestHeader(event, 'content-length') ?? NaN)
  if (!(length >= 0)) throw createError({ statusCode: 411, statusMessage: 'A job says how long it is' })
  if (length > mostBytes) throw createError({ statusCode: 413, statusMessage: 'That is more than a machine takes at once' })
  if (underWay + length > AT_ONCE_BYTES) {
    setHeader(event, 'retry-after', WITHIN_MS / 1000)
    throw createError({ statusCode: 503, statusMessage: 'Too much is on its way already: ask again in a moment' })
  }
  underWay += length
  try {
    return await json(addAbortSignal(AbortSignal.timeout(WITHIN_MS), event.node.req))
  } catch {
    throw createError({ statusCode: 400, statusMessage: 'The machine does not understand that' })
  } finally {
    underWay -= length
  }
}
