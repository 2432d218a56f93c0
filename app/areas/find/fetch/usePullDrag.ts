import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { onMounted, onScopeDispose, type ShallowRef, shallowRef } from 'vue'
import { useFetch } from '~/subjects/walk/useFetch'

/**
 * Lets one set of the mat be carried onto the pull list. Bound as it is pressed, and given up as the next one is, so that an
 * answer of hundreds costs nothing.
 */
export function carryable(element: HTMLElement, holdingId: string): () => void {
  const fetch = useFetch()
  return draggable({
    element,
    getInitialData: () => ({ holdingId }),
    onDragStart: () => {
      fetch.carriedId = holdingId
    },
    onDrop: () => {
      fetch.carriedId = null
    },
  })
}

/** What is dropped on the element goes onto the pull list. */
export function usePullDrop(element: Readonly<ShallowRef<HTMLElement | null>>) {
  const isOver = shallowRef(false)
  const fetch = useFetch()
  let release = (): void => undefined
  onMounted(() => {
    if (!element.value) return
    release = dropTargetForElements({
      element: element.value,
      canDrop: ({ source }) => typeof source.data.holdingId === 'string',
      onDragEnter: () => {
        isOver.value = true
      },
      onDragLeave: () => {
        isOver.value = false
      },
      onDrop: ({ source }) => void fetch.pull([String(source.data.holdingId)]),
    })
  })
  onScopeDispose(() => release())
  return isOver
}
