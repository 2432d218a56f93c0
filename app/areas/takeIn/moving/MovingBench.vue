<script setup lang="ts">
import { Check } from 'lucide-vue-next'
import { NuxtLink } from '#components'
import KPageHead from '~/kit/KPageHead.vue'
import CollectionChoice from '~/areas/takeIn/pile/CollectionChoice.vue'
import { useMovingIn } from '~/subjects/pile/useMovingIn'
import { movingWords } from '~/subjects/pile/movingWords'

/** Moving in, step by step: each can be left, left out, and come back to; what is done is seen from the room. */
const { STEPS, isDone, isLeftOut, leaveOut, left, says, ways } = useMovingIn()
</script>

<template>
  <div class="mx-auto max-w-3xl px-4 pt-2 pb-6 sm:px-6">
    <KPageHead :title="movingWords.title" :lead="movingWords.lead" />
    <div v-if="left.length === 0" class="mt-3 border-l-4 border-moss bg-wash px-3 py-2" data-moved-in>
      <p class="font-semibold">{{ movingWords.finished }}</p>
      <p class="hint">{{ movingWords.finishedHint }}</p>
      <NuxtLink to="/" class="button mt-2 inline-flex">{{ movingWords.toFind }}</NuxtLink>
    </div>
    <ol class="mt-2">
      <li
        v-for="(step, at) in STEPS"
        :key="step"
        class="grid grid-cols-[2.5rem_minmax(0,1fr)] gap-x-3 border-t border-line py-3"
        :data-step="step"
        :data-done="isDone[step]"
      >
        <span
          class="grid size-10 place-items-center rounded-full border font-title font-bold figures"
          :class="
            isDone[step] ? 'border-moss text-moss' : step === left[0] ? 'border-strong bg-strong text-on-strong' : 'border-line text-quiet'
          "
          aria-hidden="true"
        >
          <Check v-if="isDone[step]" :size="20" />
          <template v-else>{{ at + 1 }}</template>
        </span>
        <div>
          <h2 class="text-[1.1rem] leading-tight">
            {{ movingWords.steps[step].title }}
            <span v-if="isDone[step]" class="ml-2 text-[0.9rem] font-normal text-moss">{{ movingWords.done }}</span>
            <span v-else-if="isLeftOut(step)" class="hint ml-2 font-normal">{{ movingWords.leftOut }}</span>
          </h2>
          <p class="mt-0.5">{{ says[step] }}</p>
          <CollectionChoice v-if="step === 'size' && !isLeftOut(step)" class="mt-1" />
          <div v-if="!isDone[step]" class="mt-2 flex flex-wrap gap-2">
            <NuxtLink v-if="step !== 'size' && !isLeftOut(step)" :to="ways[step].to" :class="step === left[0] ? 'button-main' : 'button'">
              {{ ways[step].word }}
            </NuxtLink>
            <button type="button" class="min-h-11 px-2 underline" @click="leaveOut(step, !isLeftOut(step))">
              {{ isLeftOut(step) ? movingWords.takeUp : movingWords.leaveOut }}
            </button>
          </div>
        </div>
      </li>
    </ol>
  </div>
</template>
