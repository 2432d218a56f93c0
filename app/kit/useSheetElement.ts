import { onMounted, type Ref, shallowRef } from 'vue'

/**
 * The sheet that every page lies on, once it is in the document: a page that is set up together with the frame comes before
 * its sheet does.
 */
export function useSheetElement(): Readonly<Ref<HTMLElement | null>> {
  const sheet = shallowRef<HTMLElement | null>(null)
  onMounted(() => (sheet.value = document.getElementById('sheet')))
  return sheet
}
