<script setup lang="ts">
import KIcon from '~/kit/KIcon.vue'
import { ListPlus, Trash2 } from 'lucide-vue-next'
import { shallowRef, watch } from 'vue'
import { act } from '~/data/act'
import { useNotices } from '~/kit/useNotices'
import { useFetch } from '~/subjects/walk/useFetch'
import { fetchWords } from '~/subjects/walk/words'

/** Which list is at hand, and what it is called. */
const [fetch, notices] = [useFetch(), useNotices()]
const name = shallowRef('')
watch(
  () => fetch.list,
  list => (name.value = list?.name ?? ''),
  { immediate: true },
)
async function rename(): Promise<void> {
  if (fetch.list && name.value.trim() !== fetch.list.name) await act.namePullList(fetch.list.id, name.value)
}
async function drop(): Promise<void> {
  if (!fetch.list) return
  await act.dropPullList(fetch.list.id)
  notices.tell(fetchWords.dropped)
}
</script>

<template>
  <div v-if="fetch.list" class="flex flex-wrap items-center gap-1" data-pull-choice>
    <select
      v-if="fetch.lists.length > 1"
      class="field"
      :value="fetch.list.id"
      :aria-label="fetchWords.lists"
      @change="fetch.open(($event.target as HTMLSelectElement).value)"
    >
      <option v-for="each in fetch.lists" :key="each.id" :value="each.id">{{ fetch.nameOf(each) }}</option>
    </select>
    <input
      v-model="name"
      class="field min-w-0 flex-1"
      maxlength="300"
      :aria-label="fetchWords.name"
      :placeholder="fetchWords.nameExample"
      @change="rename"
      @keydown.enter="rename"
    />
    <KIcon :icon="ListPlus" :label="fetchWords.newList" @click="fetch.begin()" />
    <KIcon class="text-berry" :icon="Trash2" :label="fetchWords.drop" @click="drop" />
  </div>
</template>
