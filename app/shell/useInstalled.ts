import { useEventListener, useOnline } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Workbox } from 'workbox-window'
import { addressOf } from '~/data/host'
import { useNotices } from '~/kit/useNotices'
import { shellWords } from './words'

/** What a browser hands over when this page could be installed (Web App Manifest, appendix on installation). */
interface InstallOffer extends Event {
  prompt(): Promise<unknown>
}

/**
 * The application as it lies in this browser: all of it works with no network once it has been fetched. A newer version is told of and
 * waits until somebody takes it.
 */
export const useInstalled = defineStore('installed', () => {
  const notices = useNotices()
  const isOnline = useOnline()
  const isNewer = shallowRef(false)
  const offer = shallowRef<InstallOffer | null>(null)
  let worker: Workbox | null = null
  /** The newer version is at work already: this page only has to be read anew. */
  let isTaken = false
  /** It was tried, and did not come up: this page is of the version before it. */
  let isLeft = false
  /** It was asked for, and comes as soon as no tab is loading anything: until then the one at work has to answer. */
  const isAsked = shallowRef(false)

  useEventListener(window, 'beforeinstallprompt', (event: Event) => {
    event.preventDefault()
    offer.value = event as InstallOffer
  })
  useEventListener(window, 'appinstalled', () => (offer.value = null))

  /** Fetches the application for when there is no network, once the screen has nothing else to do. */
  async function begin(): Promise<void> {
    if (import.meta.dev || worker || !('serviceWorker' in navigator)) return
    const made = await import('workbox-window')
    worker = new made.Workbox(addressOf('sw.js'))
    worker.addEventListener('waiting', () => {
      isLeft = false
      isNewer.value = true
      notices.tell(shellWords.newer)
    })
    // Not what Workbox calls an update: a page that was there before the first version takes every later one for the first, too.
    let isFirst = !navigator.serviceWorker.controller
    worker.addEventListener('controlling', () => {
      if (isAsked.value) return window.location.reload()
      if (isFirst) {
        isFirst = false
        return cameUp()
      }
      // Taken in another tab, this one is not torn from its work.
      isTaken = true
      isNewer.value = true
    })
    await worker.register()
    // What was cleared of it is fetched again, as long as there is a network.
    if (navigator.serviceWorker.controller && isOnline.value) void worker.messageSW({ type: 'FETCH_MISSING' })
  }
  if ('serviceWorker' in navigator) {
    useEventListener(navigator.serviceWorker, 'message', ({ data }: MessageEvent<{ readonly type?: string }>) => {
      if (data.type !== 'LEFT') return
      isLeft = isNewer.value = true
      notices.tell(shellWords.newerLeft, 'care')
    })
  }
  /** Says that this page has come up: until then the worker keeps the version before this one. */
  function cameUp(): void {
    const entry = document.querySelector<HTMLScriptElement>('script[type="module"][src]')?.src
    navigator.serviceWorker?.controller?.postMessage({ type: 'CAME_UP', entry })
  }
  function takeNewer(): void {
    isAsked.value = true
    if (isLeft) return navigator.serviceWorker.controller?.postMessage({ type: 'TRY_AGAIN' })
    if (isTaken) return window.location.reload()
    notices.tell(shellWords.takingNewer)
    worker?.messageSkipWaiting()
  }
  async function install(): Promise<void> {
    const now = offer.value
    offer.value = null
    await now?.prompt()
  }
  return { isOnline, isNewer, isAsked, offer, begin, cameUp, takeNewer, install }
})
