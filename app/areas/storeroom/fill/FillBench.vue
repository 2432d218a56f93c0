<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { X } from 'lucide-vue-next'
import { computed } from 'vue'
import { NuxtLink } from '#components'
import { GRIPS } from '#core/catalog'
import { lightHarmed, stickyBeside, thicknessKey, usualThickness, oddLengths } from '#core/capacity'
import { fieldsOf } from '~/kit/fieldsOf'
import KChoice from '~/kit/KChoice.vue'
import KNumber from '~/kit/KNumber.vue'
import StoreroomNav from '~/areas/storeroom/StoreroomNav.vue'
import { useDescribe } from '~/data/useDescribe'
import { useOutlook } from '~/subjects/room/useOutlook'
import { act } from '~/data/act'
import { holderWords } from '~/subjects/fit/words'
import { takeInWords } from '~/subjects/pile/takeInWords'
import { laneName } from '~/data/words'
import { useCatalogue } from '~/data/useCatalogue'
import { fillWords } from './words'
import { roomWords } from '~/subjects/room/roomWords'

/** How full, how heavy and how long: by zone and container; what was measured and learnt; what harms. */
const catalogue = useCatalogue()
const { lengthText, lookUp, numberAndName, shelfText, thinText } = useDescribe()
const { zones, heavy } = useOutlook()
const measured = computed(() =>
  [...(catalogue.tables?.measuredLengths.values() ?? [])].flatMap(each =>
    catalogue.tables?.containers.get(each.containerId) ? [{ ...each, container: catalogue.tables.containers.get(each.containerId) }] : [],
  ),
)
function thicknessText(learnt: ReturnType<typeof catalogue.learnt.get>, usual: number): string {
  if (!learnt) return fillWords.usual(thinText(usual))
  return learnt.isLearnt
    ? fillWords.learnt(thinText(learnt.mm), thinText(learnt.plusMinusMm))
    : fillWords.tooLittle(thinText(usual), thinText(learnt.plusMinusMm))
}
const thicknesses = computed(() => {
  const used = new Map<string, { kindId: string | null; holder: keyof typeof holderWords.types }>()
  for (const { holder, container } of catalogue.room.placements.values())
    if (!container.cells)
      for (const id of holder.holdingIds) {
        const kindId = catalogue.tables?.holdings.get(id)?.kindId ?? null
        used.set(thicknessKey(kindId, holder.type), { kindId, holder: holder.type })
      }
  return [...used]
    .map(([key, { kindId, holder }]) => {
      const kind = lookUp('kinds', kindId)
      const learnt = catalogue.learnt.get(key)
      const usual = usualThickness(kind)
      return {
        key,
        name: `${kind?.name ?? takeInWords.kindUnsaid}, ${holderWords.types[holder].toLowerCase()}`,
        isLearnt: learnt?.isLearnt ?? false,
        text: thicknessText(learnt, usual),
      }
    })
    .sort((a, b) => Number(b.isLearnt) - Number(a.isLearnt) || (a.name < b.name ? -1 : 1))
})
const shownHeavy = computed(() => heavy.value.filter(each => each.isTooHeavy || each.isHigh))
const heaviest = computed(() => heavy.value.slice(0, Math.max(4, shownHeavy.value.length)))
const lifting = computed(() => catalogue.settings.lifting)
function setLifting(change: Partial<typeof lifting.value>): void {
  void act.changeSettings(now => ({ lifting: { ...now.lifting, ...change } }))
}
const own = fieldsOf(() => lifting.value, setLifting)
const inSun = computed(() =>
  lightHarmed(
    catalogue.room.rows.values(),
    catalogue.tables?.fixtures ?? new Map(),
    catalogue.tables?.holdings ?? new Map(),
    catalogue.tables?.kinds ?? new Map(),
  ),
)
const sticky = computed(() => stickyBeside(catalogue.room.rows.values(), catalogue.tables?.holdings ?? new Map()))
const nameOf = (id: string): string => {
  const holding = catalogue.tables?.holdings.get(id)
  return holding ? numberAndName(holding) : ''
}
/** What the other lanes would make of a length that does not go with them, by the measure. */
const odd = computed(
  () => new Map(oddLengths(measured.value, id => catalogue.tables?.kinds.get(id)).map(({ id, expectedMm }) => [id, expectedMm])),
)
/** The lane that was measured: its container, and which of its lanes where it has more. */
const laneText = ({ container, lane }: (typeof measured.value)[number]): string => {
  if (!container) return ''
  return container.lanes > 1 ? `${container.name}, ${laneName(lane, container.lanes)}` : container.name
}
const HOURS = [1, 2, 8] as const
</script>

<template>
  <div class="mx-auto max-w-6xl px-4 pt-2 pb-6 sm:px-6">
    <StoreroomNav :title="fillWords.fillTitle" :lead="fillWords.fillLead" />
    <section
      v-for="{ zone, outlook, cap, containers } in zones"
      :key="zone.id"
      class="mt-5"
      :aria-label="fillWords.ofZone(zone.name)"
      data-zone-fill
    >
      <div class="flex flex-wrap items-baseline justify-between gap-x-4 border-b-2 border-ridge-5 pb-1">
        <h2 class="text-[1.15rem]">{{ zone.name }}</h2>
        <p class="figures">
          <span v-if="cap.state !== 'none'" class="mr-4 font-semibold" :class="cap.state === 'under' ? '' : 'text-berry'">
            {{ roomWords.cap(cap.count, cap.cap) }}
          </span>
          <template v-if="outlook.lengthMm > 0">
            {{ lengthText(outlook.freeMm) }} {{ fillWords.free.toLowerCase() }}, {{ roomWords.lastsFor(outlook) }}
          </template>
        </p>
      </div>
      <ul>
        <li
          v-for="each in containers"
          :key="each.row.container.id"
          class="grid grid-cols-[7rem_1fr] items-center gap-x-3 border-b border-line py-1.5 sm:grid-cols-[9rem_14rem_1fr]"
        >
          <NuxtLink :to="`/storeroom/${each.row.container.id}`" class="inline-flex min-h-11 items-center font-semibold hover:underline">
            {{ each.row.container.name }}
          </NuxtLink>
          <span class="relative h-4 border border-edge bg-sheet" aria-hidden="true">
            <span
              class="absolute inset-y-0 left-0"
              :class="each.share > 1 ? 'bg-berry' : 'bg-ridge-4'"
              :style="{ width: `${Math.min(100, each.share * 100)}%` }"
            />
            <span
              v-if="!each.row.container.cells && zone.growthReserve > 0"
              class="absolute inset-y-0 border-l-2 border-dashed border-night"
              :style="{ left: `${(1 - zone.growthReserve) * 100}%` }"
            />
          </span>
          <span class="col-span-2 text-[0.94rem] figures sm:col-span-1">
            <span class="font-semibold">{{ roomWords.full(Math.round(each.share * 100)) }}{{ each.row.container.cells ? '' : ': ' }}</span>
            <template v-if="!each.row.container.cells">
              <span :class="each.outlook.state === 'over' ? 'text-berry' : each.outlook.state === 'room' ? '' : 'text-ochre'">
                {{ roomWords.outlook(each.outlook, lengthText) }},
              </span>
              {{ roomWords.lastsFor(each.outlook) }}
            </template>
          </span>
        </li>
      </ul>
    </section>

    <div class="mt-8 grid gap-8 md:grid-cols-2">
      <section :aria-label="fillWords.learntTitle">
        <h2 class="text-[1.15rem]">{{ fillWords.learntTitle }}</h2>
        <ul class="mt-2 border-t border-line" data-thickness>
          <li v-for="each in thicknesses" :key="each.key" class="border-b border-line py-1.5 leading-snug">
            <span class="font-semibold">{{ each.name }}</span>
            <span class="block figures" :class="each.isLearnt ? 'text-moss' : 'text-quiet'">{{ each.text }}</span>
          </li>
        </ul>
        <h3 class="mt-4 font-semibold">{{ fillWords.measuredLanes }}</h3>
        <p v-if="measured.length === 0" class="hint">{{ fillWords.noLanes }} {{ roomWords.measureLead }}</p>
        <ul>
          <li v-for="each in measured" :key="each.id" class="flex items-center justify-between gap-3 border-b border-line">
            <span class="figures">
              {{ laneText(each) }}: {{ lengthText(each.filledMm) }}
              <span v-if="odd.has(each.id)" class="block text-ochre" data-odd>{{ fillWords.odd(lengthText(odd.get(each.id) ?? 0)) }}</span>
            </span>
            <KIcon :icon="X" :label="`${fillWords.forget}: ${each.container?.name}`" @click="act.forgetLength(each.id)" />
          </li>
        </ul>
      </section>
      <section :aria-label="fillWords.liftTitle">
        <h2 class="text-[1.15rem]">{{ fillWords.liftTitle }}</h2>
        <p class="border-l-4 border-ochre bg-wash px-3 py-2">{{ fillWords.liftLead }}</p>
        <p v-if="shownHeavy.length === 0" class="mt-2 font-semibold text-moss">{{ fillWords.noneHeavy }}</p>
        <ul class="mt-2 border-t border-line" data-lifts>
          <li
            v-for="{ lift, isTooHeavy, isHigh, isShelfMeasured } in heaviest"
            :key="lift.container.id"
            class="border-b border-line py-1.5 figures"
          >
            <span class="font-semibold">{{ lift.container.name }}:</span>
            {{ fillWords.lift(lift) }}
            <span v-if="isTooHeavy" class="block font-semibold text-berry">
              {{
                lift.betterShelf
                  ? `${fillWords.tooHeavy}; ${fillWords.better(shelfText(lift.container.fixtureId, lift.betterShelf))}`
                  : fillWords.tooHeavy
              }}
            </span>
            <span v-else-if="isHigh" class="block text-ochre">{{ fillWords.high }}</span>
            <details>
              <summary class="hint min-h-11 content-center">{{ fillWords.howWorkedOut }}</summary>
              <span class="hint block">
                {{ isShelfMeasured ? fillWords.multipliers(lift) : `${fillWords.multipliers(lift)}; ${fillWords.usualShelf}` }}
              </span>
            </details>
          </li>
        </ul>
        <h3 class="mt-4 font-semibold">{{ fillWords.inputs }}</h3>
        <div class="mt-1 grid grid-cols-2 gap-3">
          <KNumber
            id="lift-reach"
            settled
            :model-value="lifting.reachMm / 10"
            :label="`${fillWords.reach} (cm)`"
            :min="25"
            :max="63"
            @update:model-value="setLifting({ reachMm: $event * 10 })"
          />
          <KNumber
            id="lift-to"
            settled
            :model-value="lifting.carryToMm / 10"
            :label="`${fillWords.carryTo} (cm)`"
            :min="0"
            :max="175"
            @update:model-value="setLifting({ carryToMm: $event * 10 })"
          />
          <KNumber id="lift-twist" v-model="own.twistDeg" settled :label="fillWords.twist" :min="0" :max="135" />
          <KNumber id="lift-rate" v-model="own.perMinute" settled :label="fillWords.perMinute" :min="0.2" :max="15" :step="0.1" />
          <KChoice id="lift-hours" v-model="own.hours" :label="fillWords.hours" :choices="HOURS" :words="fillWords.hoursOf" />
          <KChoice id="lift-grip" v-model="own.grip" :label="fillWords.grip" :choices="GRIPS" :words="fillWords.grips" />
        </div>
      </section>
    </div>
    <section class="mt-8" :aria-label="fillWords.careTitle">
      <h2 class="text-[1.15rem]">{{ fillWords.careTitle }}</h2>
      <p v-if="inSun.length + sticky.length === 0" class="text-moss">{{ fillWords.noCare }}</p>
      <ul data-care>
        <li v-for="{ row, count, kindIds } in inSun" :key="row.container.id" class="border-l-4 border-ochre bg-wash px-3 py-2">
          {{ fillWords.sun(row.container.name, count, kindIds.map(id => lookUp('kinds', id)?.name ?? '').join(', ')) }}
        </li>
        <li v-for="{ holding, besideIds } in sticky" :key="holding.id" class="mt-1 border-l-4 border-ochre bg-wash px-3 py-2">
          {{ fillWords.sticky(numberAndName(holding), besideIds.map(nameOf).join(', ')) }}
        </li>
      </ul>
    </section>
  </div>
</template>
