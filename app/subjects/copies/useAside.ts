import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { SetAside } from '#core/catalog'
import { act } from '~/data/act'
import { useCatalogue } from '~/data/useCatalogue'
import type { Sifted } from '~/db/commands'

/** Records that no table takes, as after a fault of the disk: they are set aside, so that the room opens without them. */
export const useAside = defineStore('aside', () => {
  const catalogue = useCatalogue()
  /** What was set aside since this page was opened, and not been told yet. */
  const fresh = shallowRef<readonly SetAside[]>([])
  const lacksSettings = shallowRef(false)

  /** Looks through all records. True where something was not right, and is now: what failed on it can be done again. */
  async function sift(): Promise<boolean> {
    const found = await act.siftRecords()
    return note(found)
  }
  function note(found: Sifted): boolean {
    fresh.value = [...fresh.value, ...found.aside]
    lacksSettings.value ||= found.lacksSettings
    return found.aside.length > 0 || found.lacksSettings
  }
  /** What somebody else has set aside, for a copy say: the screen reads the room without it. */
  async function take(found: Sifted | null): Promise<void> {
    if (found && note(found)) await catalogue.readAnew()
  }
  function told(): void {
    fresh.value = []
    lacksSettings.value = false
  }
  return { fresh, lacksSettings, sift, take, told }
})
