import type { RouterConfig } from '@nuxt/schema'
import type { RouteRecordRaw } from 'vue-router'
import FindPage from '~/pages/index.vue'

/** Most starts lead to Find: its code comes with what every page needs, and is not asked for once that is there. */
export default {
  routes: found =>
    found.map((route): RouteRecordRaw => {
      const { path, name, meta } = route
      return path === '/' ? { path, name, meta, component: FindPage } : route
    }),
} satisfies RouterConfig
