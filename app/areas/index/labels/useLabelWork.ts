import { computed, onScopeDispose, shallowRef, watch } from 'vue'
import type { Labelled, LabelSheet, Printer } from '#core/catalog'
import { usedUp } from '#core/printing'
import { pressWords } from '~/subjects/press/words'
import { usePress } from '~/subjects/press/usePress'
import { usePile } from '~/subjects/pile/usePile'
import { plainly } from '~/kit/plainly'
import { useCatalogue } from '~/data/useCatalogue'
import { useNotices } from '~/kit/useNotices'
import type { Waiting } from '~/subjects/press/waiting'
import type { LabelLine, LabelsApi } from './labels.worker'
import type { MachineOutcome, MachineState } from './machine'
import type { LabelThings } from './things'
import { useLabelThings } from './useLabelThings'
import { labelWords } from './words'

interface LaidLabels {
  readonly lines: readonly LabelLine[]
  readonly found: LabelThings
}

/** Labels of one kind in the hands of the one who sets and prints them, on paper or on the practice machine. */
export function useLabelWork(kind: () => Exclude<Labelled, 'shared'>, sheet: () => LabelSheet | null) {
  const [catalogue, notices, pile] = [useCatalogue(), useNotices(), usePile()]
  const thingsOf = useLabelThings()
  const machine = shallowRef<MachineState | null>(null)
  const strip = shallowRef<{ readonly outcome: MachineOutcome; readonly urls: readonly string[] } | null>(null)
  /** What was not printed as the reel came to its end, or thrown away with what was inside the machine. */
  const leftover = shallowRef<readonly string[]>([])
  const press = usePress<LabelsApi, LaidLabels>(
    () => new Worker(new URL('../press.worker.ts', import.meta.url), { type: 'module', name: 'labels' }),
    {
      async layOut(run) {
        const found = await thingsOf(kind())
        const { things, written } = found
        const [habits, on] = [plainly(catalogue.settings.labels), plainly(sheet())]
        return { found, lines: await run(api => api.lay({ kind: kind(), things, written, habits, sheet: on })) }
      },
      askWaiting: run => run(api => api.waiting()),
    },
  )
  // Labels themselves are not in memory: every step may have changed them.
  watch([() => catalogue.tables, () => catalogue.steps, () => catalogue.settings], press.change)
  watch([kind, sheet], ([now], [before]) => {
    if (now !== before) {
      press.clear()
      leftover.value = []
    }
    void press.lay()
  })

  async function lookAtMachine(): Promise<void> {
    machine.value = await press.run(api => api.machine(plainly(catalogue.settings.labels))).catch(() => null)
  }
  void lookAtMachine()

  async function makePdf(ofs: readonly string[], printer: Printer | null): Promise<void> {
    const title = labelWords.fileName(catalogue.settings.roomName).replace(/\.pdf$/, '')
    await press.make(tell => press.run(api => api.pdf([...ofs], plainly(printer), title, tell)))
  }
  async function makeCsv(ofs: readonly string[]): Promise<Blob | null> {
    const text = await press.work('printing', () => press.run(api => api.csv([...ofs])))
    if (text === null) return null
    await press.lookForWaiting()
    // The mark tells a spreadsheet that it is UTF-8.
    return new Blob(['\ufeff', text], { type: 'text/csv' })
  }
  async function outlines(of: LabelSheet, printer: Printer | null): Promise<Blob | null> {
    const pdf = await press.work('printing', () => press.run(api => api.outlines(plainly(of), plainly(printer), of.name)))
    return pdf && new Blob([pdf], { type: 'application/pdf' })
  }
  /** On the stand-in machine; with nothing to print, what is inside is fed out. */
  async function print(ofs: readonly string[], isFed = false): Promise<void> {
    const outcome = await press.work('printing', () => press.run(api => api.toMachine([...ofs], isFed)))
    showStrip(outcome)
    if (!outcome?.ok) return
    leftover.value = []
    await Promise.all([press.lookForWaiting(), lookAtMachine()])
  }
  function showStrip(outcome: MachineOutcome | null): void {
    strip.value?.urls.forEach(url => URL.revokeObjectURL(url))
    strip.value = outcome && { outcome, urls: outcome.ok ? outcome.strips.map(each => URL.createObjectURL(each)) : [] }
  }
  async function newReel(): Promise<void> {
    const [inside, last] = [machine.value?.held.map(({ of }) => of) ?? [], strip.value?.outcome]
    machine.value = await press.run(api => api.newReel(plainly(catalogue.settings.labels)))
    leftover.value = [...inside, ...(last?.ok ? last.unprinted : [])]
    showStrip(null)
    await press.lookForWaiting()
  }

  async function confirm(asked: Waiting, well: readonly string[]): Promise<void> {
    const count = await press.run(api => api.confirm(plainly(asked), [...well], [...pile.used]))
    notices.tell(count > 0 ? labelWords.confirmed(count) : pressWords.answered, count > 0 ? 'done' : 'care')
    await answered()
    await press.lay()
  }
  async function notMade(asked: Waiting): Promise<void> {
    await press.run(api => api.forget(plainly(asked)))
    await answered()
  }
  async function answered(): Promise<void> {
    press.forget()
    showStrip(null)
    await press.lookForWaiting()
  }
  onScopeDispose(() => showStrip(null))
  return {
    press,
    lines: computed(() => press.laid.value?.lines ?? null),
    found: computed(() => press.laid.value?.found ?? null),
    /** The chosen sheet with its first free label: behind those on it that wait for their answer. */
    begunSheet: computed((): LabelSheet | null => {
      const chosen = sheet()
      return chosen && usedUp(chosen, press.waiting.value.find(({ thing }) => thing === chosen.id)?.used ?? 0)
    }),
    machine: computed(() => machine.value),
    strip: computed(() => strip.value),
    leftover: computed(() => leftover.value),
    makePdf,
    makeCsv,
    outlines,
    print,
    newReel,
    confirm,
    notMade,
    stripOf: (ofs: readonly string[]) => press.run(api => api.strip([...ofs])).catch(() => []),
    sheetsOf: (ofs: readonly string[]) => press.run(api => api.sheets([...ofs])).catch(() => []),
  }
}
export type LabelWork = ReturnType<typeof useLabelWork>
