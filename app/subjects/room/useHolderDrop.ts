import { draggable, dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { onScopeDispose, type ShallowRef, shallowRef, watch } from 'vue'
import { useCarry } from './useCarry'
import { type DropPlace, useMoving } from './useMoving'

type ElementRef = Readonly<ShallowRef<Element | null>>

/** Lets an element be carried by mouse or finger. The data are the ids of the holders that go along. */
export function useHolderDrag(element: ElementRef, holderIds: () => readonly string[]) {
  const isCarried = shallowRef(false)
  const carry = useCarry()
  bind(element, found =>
    draggable({
      element: found as HTMLElement,
      getInitialData: () => ({ holderIds: holderIds() }),
      onDragStart: () => {
        isCarried.value = carry.isDragged = true
      },
      onDrop: () => {
        isCarried.value = carry.isDragged = false
      },
    }),
  )
  return isCarried
}

/** Lets holders be dropped on an element. */
export function useHolderDrop(element: ElementRef, place: () => DropPlace) {
  const isOver = shallowRef(false)
  const { setDown } = useMoving()
  bind(element, found =>
    dropTargetForElements({
      element: found,
      canDrop: ({ source }) => Array.isArray(source.data.holderIds),
      onDragEnter: () => {
        isOver.value = true
      },
      onDragLeave: () => {
        isOver.value = false
      },
      onDrop: ({ source, location, self }) => {
        isOver.value = false
        if (location.current.dropTargets[0]?.element === self.element) void setDown(source.data.holderIds as string[], place())
      },
    }),
  )
  return isOver
}

function bind(element: ElementRef, attach: (found: Element) => () => void): void {
  let release: (() => void) | null = null
  watch(
    element,
    found => {
      release?.()
      release = found ? attach(found) : null
    },
    { immediate: true, flush: 'post' },
  )
  onScopeDispose(() => release?.())
}
