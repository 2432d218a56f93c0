import { defineEventHandler } from 'h3'
import { useRuntimeConfig } from 'nitropack/runtime'

/** What a first start offers: with NUXT_DEMO=true the demo room is loaded into an empty browser. */
export default defineEventHandler(event => ({
  demo: useRuntimeConfig(event).demo === true || String(useRuntimeConfig(event).demo) === 'true',
}))
