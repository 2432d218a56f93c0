import { combine } from '@atlaskit/pragmatic-drag-and-drop/combine'
import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { onMounted, onScopeDispose, type ShallowRef, shallowRef } from 'vue'

/** Lets the rows of a list be carried over each other by mouse or finger: what is dropped goes in front of the row. */
export function useReorder(element: Readonly<ShallowRef<HTMLElement | null>>, id: () => string, dropped: (carriedId: string) => void) {
  const isOver = shallowRef(false)
  let release = (): void => undefined
  onMounted(() => {
    const found = element.value
    if (!found) return
    release = combine(
      draggable({ element: found, getInitialData: () => ({ rowId: id() }) }),
      dropTargetForElements({
        element: found,
        canDrop: ({ source }) => typeof source.data.rowId === 'string' && source.data.rowId !== id(),
        onDragEnter: () => {
          isOver.value = true
        },
        onDragLeave: () => {
          isOver.value = false
        },
        onDrop: ({ source }) => {
          isOver.value = false
          dropped(String(source.data.rowId))
        },
      }),
    )
  })
  onScopeDispose(() => release())
  return { isOver }
}
