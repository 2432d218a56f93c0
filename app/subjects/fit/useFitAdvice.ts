import { shallowRef, watch, type Ref } from 'vue'
import type { Container, HolderType } from '#core/catalog'
import type { Contents, FitHabits, HolderAdvice } from '#core/holders'
import { plainly } from '~/kit/plainly'
import { useFitWorker } from './useFitWorker'

interface Asked {
  readonly contents: Readonly<Ref<Contents | null>>
  readonly types: Readonly<Ref<readonly HolderType[]>>
  readonly fitHabits: Readonly<Ref<FitHabits>>
  readonly container: Readonly<Ref<Container | null>>
}

/** What a set could sit in, worked out beside the screen; null while it is worked out, or where its size is not known. */
export function useFitAdvice({ contents, types, fitHabits, container }: Asked) {
  const worker = useFitWorker()
  const advice = shallowRef<HolderAdvice | null>(null)
  const isWorking = shallowRef(false)
  let latest: Promise<void> = Promise.resolve()
  let asked = 0

  async function ask(): Promise<void> {
    const mine = (asked += 1)
    const inside = contents.value
    isWorking.value = inside !== null
    const { fitOrder, fitNever } = fitHabits.value
    const found =
      inside &&
      (await worker.ask(api =>
        api.advise(plainly(inside), plainly(types.value), plainly({ fitOrder, fitNever }), plainly(container.value)),
      ))
    if (mine !== asked) return
    advice.value = found
    isWorking.value = false
  }
  watch([contents, types, fitHabits, container], () => void (latest = ask()), { immediate: true })

  return { advice, isWorking, /** Once what was asked last is answered. */ settled: (): Promise<void> => latest }
}
