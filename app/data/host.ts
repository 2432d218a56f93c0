import { useRuntimeConfig } from '#imports'

/**
 * Whether plain files are all there is behind the page, as on a host that runs nothing. The stand-ins for a camera and for a label
 * machine need the server, and are not offered then.
 */
export const isPlainFiles = (): boolean => useRuntimeConfig().public.isSite

/** The address of a file of the application, at the root of a host or below it. */
export const addressOf = (file: string): string => `${useRuntimeConfig().app.baseURL}${file}`
