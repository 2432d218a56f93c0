import { PAGES } from '#pages'
import { getRequestURL } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'

/** Pages as the router has them; `:container()` stands for one part of the address. */
const known = PAGES.map(path => new RegExp(`^${path.replace(/:\w+(\([^)]*\))?/g, '[^/]+')}/?$`))

/** The shell is sent for every address, and says itself that there is nothing: the status says it as well. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    const { pathname } = getRequestURL(event)
    if (!known.some(page => page.test(pathname))) response.statusCode = 404
  })
})
