import { defineNuxtRouteMiddleware, navigateTo } from '#imports'

/** A host of plain files sends a page at its address with a slash behind it: the page is the same. */
export default defineNuxtRouteMiddleware(({ path, query, hash }) => {
  if (path.length > 1 && path.endsWith('/')) return navigateTo({ path: path.replace(/\/+$/, ''), query, hash }, { replace: true })
})
