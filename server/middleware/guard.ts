import { createError, defineEventHandler, getRequestHeader, getRequestURL, type H3Event, setHeader } from 'h3'

/** The routes there are, and how each is asked; one takes a job and keeps nothing of it, none is told anything else. */
const READ: readonly string[] = ['GET', 'HEAD']
const ROUTES: Readonly<Record<string, readonly string[]>> = {
  '/api/start': READ,
  '/api/demo-room': READ,
  '/api/camera': READ,
  '/api/label-printer': ['POST'],
}

/**
 * Names this server answers to: loopback, and the host that it was told to listen on. Anything else is another site's name
 * for it (DNS rebinding).
 */
function isOwnHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase()
  const own = process.env.NITRO_HOST ?? process.env.HOST
  return (
    ['localhost', '127.0.0.1', '[::1]'].includes(name) ||
    (own !== undefined && (own === '0.0.0.0' || own === '::' || name === own.toLowerCase()))
  )
}

/** Whether a page of another site sends this: a form needs no leave to. Who is no browser says nothing of where it comes from. */
function isOfAnotherSite(event: H3Event): boolean {
  const site = getRequestHeader(event, 'sec-fetch-site')
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return true
  const origin = getRequestHeader(event, 'origin')
  return origin !== undefined && origin !== getRequestURL(event).origin
}

/** Refuses what is not asked as it should be, before any route is. */
export default defineEventHandler(event => {
  if (!isOwnHost(event.node.req.headers.host ?? ''))
    throw createError({ statusCode: 421, statusMessage: 'Not the host that was asked for' })
  const { pathname } = getRequestURL(event)
  if (!pathname.startsWith('/api/') && pathname !== '/api') return
  const methods = Object.hasOwn(ROUTES, pathname) ? ROUTES[pathname] : undefined
  if (!methods) throw createError({ statusCode: 404, statusMessage: 'There is nothing here' })
  if (methods.includes(event.method)) {
    if (methods !== READ && isOfAnotherSite(event)) throw createError({ statusCode: 403, statusMessage: 'Only from a page of this server' })
    return
  }
  setHeader(event, 'allow', methods.join(', '))
  throw createError({ statusCode: 405, statusMessage: methods === READ ? 'This can only be read' : 'This takes a job' })
})
