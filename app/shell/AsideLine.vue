<script setup lang="ts">
import { X } from 'lucide-vue-next'
import { computed } from 'vue'
import { NuxtLink } from '#components'
import KIcon from '~/kit/KIcon.vue'
import { nameIn } from '~/subjects/copies/asideName'
import { RECORD_WORDS, soundnessWords } from '~/subjects/copies/soundnessWords'
import { useAside } from '~/subjects/copies/useAside'

/** Says what could not be read and was set aside, until somebody has looked at it. */
const aside = useAside()
const names = computed(() =>
  aside.fresh.map(record => {
    const name = nameIn(record)
    return name ? `${RECORD_WORDS[record.from]} (${name})` : RECORD_WORDS[record.from]
  }),
)
const says = computed(() =>
  [names.value.length > 0 ? soundnessWords.banner(names.value) : '', aside.lacksSettings ? soundnessWords.bannerSettings : ''].join(' '),
)
</script>

<template>
  <div class="flex items-start gap-3 border-b border-line bg-wash px-4 py-2" role="alert" data-set-aside>
    <p class="min-w-0 flex-1 py-2">
      {{ says }}
      <NuxtLink :to="names.length ? '/copies/check' : '/copies'" class="underline" @click="aside.told()">
        {{ soundnessWords.bannerLink }}
      </NuxtLink>
    </p>
    <KIcon :icon="X" :label="soundnessWords.bannerClose" @click="aside.told()" />
  </div>
</template>
