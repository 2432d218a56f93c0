import { createError, defineEventHandler, setHeader } from 'h3'
import { useStorage } from 'nitropack/runtime'

/** The demo room as an archive of the project's own format, drawn when the project was built. */
export default defineEventHandler(async event => {
  const archive = await useStorage('assets:demo').getItemRaw<Uint8Array>('letter-room.zip')
  if (!archive) throw createError({ statusCode: 404, statusMessage: 'The demo room was not built' })
  setHeader(event, 'content-type', 'application/zip')
  setHeader(event, 'cache-control', 'no-cache')
  return archive
})
