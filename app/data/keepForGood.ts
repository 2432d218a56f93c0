let isAsked = false

/**
 * Asks the browser, once a page, not to clear the room when the disk gets full: from the first set of one's own on there is
 * something to lose. The answer is shown under Copies.
 */
export async function keepForGood(): Promise<void> {
  if (isAsked) return
  isAsked = true
  const { storage } = navigator
  if (await storage?.persisted?.().catch(() => true)) return
  await storage?.persist?.().catch(() => false)
}
