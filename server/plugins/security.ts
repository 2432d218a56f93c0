import { createHash } from 'node:crypto'
import type { Server } from 'node:http'
import type { Socket } from 'node:net'
import { getResponseHeader, setResponseHeaders } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'

/** Inline scripts of the shell (the framework writes one) are allowed by their hash, and no others. */
function hashesOf(html: string): string {
  const inline = [...html.matchAll(/<script(?![^>]*\bsrc=)(?![^>]*type="application\/json")[^>]*>([\s\S]*?)<\/script>/g)]
  return inline
    .map(
      ([, script]) =>
        `'sha256-${createHash('sha256')
          .update(script ?? '')
          .digest('base64')}'`,
    )
    .join(' ')
}

const policy = (html: string): string =>
  [
    `default-src 'none'`,
    `script-src 'self' ${hashesOf(html)}`.trim(),
    `style-src 'self'`,
    `img-src 'self' blob:`,
    `font-src 'self'`,
    `connect-src 'self'`,
    `worker-src 'self'`,
    `frame-src blob:`,
    `manifest-src 'self'`,
    `base-uri 'none'`,
    `form-action 'none'`,
    `frame-ancestors 'none'`,
  ].join('; ')

const FIXED = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'geolocation=(), microphone=(), camera=(self)',
} as const

/** For the head of what is asked, and for all of it. */
const TIMES_MS = { headersTimeout: 10_000, requestTimeout: 20_000 } as const

export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('request', event => {
    setResponseHeaders(event, { ...FIXED, 'content-security-policy': policy('') })
    const { server } = event.node.req.socket as Socket & { server?: Server }
    // Who is slow to ask, or never ends, holds a connection no longer than this.
    if (server) Object.assign(server, TIMES_MS)
  })
  nitro.hooks.hook('render:response', (response, { event }) => {
    // Nobody need know what made the page.
    delete response.headers?.['x-powered-by']
    const isPage = String(getResponseHeader(event, 'content-type') ?? response.headers?.['content-type'] ?? '').includes('html')
    if (!isPage || typeof response.body !== 'string') return
    // Not put by for the way back, with what it was reading still open: see app/db/leaving.ts.
    setResponseHeaders(event, { 'content-security-policy': policy(response.body), 'cache-control': 'no-store' })
  })
})
