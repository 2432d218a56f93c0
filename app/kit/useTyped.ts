import { type Reactive, shallowRef, watch } from 'vue'
import { plainly } from '~/kit/plainly'
import { keepTyped } from './typed'

/**
 * What is typed in a form and not kept yet stays in this tab: over leaving the page, closing the dialog and a reload. The form
 * tells with `begin` of what it is a form, and what it began with; what was typed there before is then back in it.
 */
export function useTyped<T extends object>(texts: Reactive<T>) {
  /** Something typed before is back: the form says so. */
  const isBack = shallowRef(false)
  let key: string | null = null
  let begun: T | null = null

  function begin(of: string, fresh: T): void {
    key = `typed ${of}`
    begun = plainly(fresh)
    const typed = read(key, begun)
    isBack.value = typed !== null
    if (typed) Object.assign(texts, typed)
  }
  /** The record changed meanwhile: what was typed stays, and counts against what the record has now. */
  function follow(fresh: T): void {
    if (begun) Object.assign(texts, keepTyped({ ...texts } as T, begun, fresh))
    begun = plainly(fresh)
  }
  /** It is kept, or given up: the next time the form begins with its record. */
  function forget(): void {
    if (key) forgetKey(key)
    isBack.value = false
    begun = null
  }
  /** The form shows something else now; what was typed waits for the next time. */
  function leave(): void {
    begun = null
  }
  function beginAfresh(): void {
    if (begun) Object.assign(texts, plainly(begun))
    if (key) forgetKey(key)
    isBack.value = false
  }
  watch(
    () => JSON.stringify(texts),
    now => {
      if (!key || !begun) return
      // Only what differs: a field that nobody touched follows its record.
      const typed = differing(JSON.parse(now) as T, begun)
      if (typed) write(key, JSON.stringify(typed))
      else forgetKey(key)
    },
    { flush: 'sync' },
  )
  /** The fields that are otherwise than the form began, or followed. */
  const changed = (): ReadonlySet<keyof T> => new Set(begun ? (Object.keys(differing({ ...texts } as T, begun) ?? {}) as (keyof T)[]) : [])
  return { isBack, begin, follow, forget, leave, beginAfresh, changed }
}

/** Only fields that the form has, of the sort that they are; a browser that keeps nothing for a tab has kept nothing. */
function read<T extends object>(key: string, begun: T): Partial<T> | null {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(key) ?? 'null')
    if (typeof kept !== 'object' || kept === null) return null
    return differing(fieldsLike(kept, begun), begun)
  } catch {
    return null
  }
}
/** Of what a tab has kept, the fields that a form has, each of the sort that it is there. */
export function fieldsLike<T extends object>(kept: object, begun: T): Partial<T> {
  const fields = Object.entries(kept).filter(([name, value]) => Object.hasOwn(begun, name) && isLike(value, begun[name as keyof T]))
  return Object.fromEntries(fields) as Partial<T>
}
/** The fields that are otherwise than they began; null: none. */
function differing<T extends object>(texts: Partial<T>, begun: T): Partial<T> | null {
  const typed = Object.entries(texts).filter(([name, value]) => JSON.stringify(value) !== JSON.stringify(begun[name as keyof T]))
  return typed.length > 0 ? (Object.fromEntries(typed) as Partial<T>) : null
}
/** null stands for what is not there yet, such as a photo. */
const isLike = (value: unknown, other: unknown): boolean =>
  value === null || other === null || (typeof value === typeof other && Array.isArray(value) === Array.isArray(other))
function write(key: string, text: string): void {
  try {
    sessionStorage.setItem(key, text)
  } catch {
    // The browser keeps nothing for a tab: then what is typed lasts as long as the form is open.
  }
}
function forgetKey(key: string): void {
  try {
    sessionStorage.removeItem(key)
  } catch {
    // Nothing was kept.
  }
}
