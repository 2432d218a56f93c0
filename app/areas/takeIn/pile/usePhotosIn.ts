import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { blankDraft, nextRank } from '#core/catalog'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { act, draftsNow } from '~/data/act'
import { newId } from '~/db/newId'
import { useNotices } from '~/kit/useNotices'
import type { PictureOutcome } from '~/subjects/set/photos.worker'
import { keepPhotos } from '~/subjects/set/usePhotoKeeper'
import { pileWords } from '~/subjects/pile/words'

/** Two at a time: one is decoded while the other is written. */
const AT_ONCE = 2

/** Puts a strip with each photo on the pile, behind what is there. */
export async function stripsFor(hashes: readonly string[]): Promise<void> {
  if (hashes.length === 0) return
  const from = nextRank(await draftsNow()) + 1
  await act.addDrafts(
    hashes.map((pictureHash, at) => ({
      ...blankDraft({ id: newId(), rank: from + at, createdAt: new Date().toISOString() }),
      pictureHash,
    })),
  )
}

/** Photos on their way to the pile, whatever page is open meanwhile: many at once, read in workers, with progress and a stop. */
export const usePhotosIn = defineStore('photosIn', () => {
  const notices = useNotices()
  const busy = shallowRef<{ readonly done: number; readonly total: number } | null>(null)
  let isStopped = false

  /** `receive` is what the page that was open does with the photos, where it is open still; the rest become strips of their own. */
  async function take(list: readonly File[], receive: (hashes: readonly string[]) => Promise<void>): Promise<void> {
    if (list.length === 0 || busy.value) return
    isStopped = false
    busy.value = { done: 0, total: list.length }
    const outcomes = new Array<PictureOutcome | null>(list.length).fill(null)
    await keepPhotos(
      list,
      AT_ONCE,
      () => isStopped,
      (at, outcome) => {
        outcomes[at] = outcome
        busy.value = { done: (busy.value?.done ?? 0) + 1, total: list.length }
      },
    )
    try {
      const hashes = outcomes.flatMap(outcome => (outcome?.ok ? [outcome.hash] : []))
      await receive(hashes)
      tell(list, outcomes, hashes.length)
    } finally {
      busy.value = null
    }
  }
  function tell(list: readonly File[], outcomes: readonly (PictureOutcome | null)[], taken: number): void {
    const faults = outcomes.flatMap((outcome, at) => (outcome && !outcome.ok ? [{ code: outcome.code, name: list[at]?.name ?? '' }] : []))
    const [first] = faults
    if (!first) return notices.tell(pileWords.photosIn(taken, []))
    const isFull = faults.some(({ code }) => code === 'full')
    if (isFull || list.length === 1) return notices.tell(takeInWords.photoProblem[isFull ? 'full' : first.code], 'care')
    const names = faults.map(({ name }) => name)
    notices.tell(pileWords.photosIn(taken, names), 'care')
  }
  return { busy, take, stop: (): void => void (isStopped = true) }
})
