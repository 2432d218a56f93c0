import { Image, ShoppingBag, SquareDashed, StickyNote } from 'lucide-vue-next'

/** Ways to find something that are pages of their own. */
export const FIND_WAYS = {
  label: 'Other ways to find',
  ways: [
    { path: '/find/picture', icon: Image, word: 'By picture' },
    { path: '/find/space', icon: SquareDashed, word: 'Fits a space' },
    { path: '/find/card', icon: StickyNote, word: 'For one card' },
    { path: '/find/own', icon: ShoppingBag, word: 'Own it?' },
  ],
} as const
