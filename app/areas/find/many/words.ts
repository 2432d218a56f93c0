import type { WishField } from '#core/questions'
import { counted, countedThat, figure } from '#core/grammar'

const FIELDS: Readonly<Record<WishField, string>> = {
  brandId: 'Brand',
  categoryId: 'Category',
  kindId: 'Kind',
  holderTypeId: 'What they sit in',
  size: 'Size',
  themeIds: 'Themes',
  note: 'Note',
}

export const manyWords = {
  button: 'Change these',
  title: (count: number) => `Change ${counted(count, 'set')} at once`,
  hint: 'What you leave empty stays as it is. One undo takes all of it back.',
  which: 'Which sets',
  all: 'All',
  none: 'None',
  ticked: (count: number, of: number) => `${figure(count)} of ${counted(of, 'set')}`,
  rest: (count: number) => `and ${figure(count)} more`,
  brand: 'Brand',
  category: 'Category',
  themes: 'Add themes',
  kind: 'Kind',
  size: 'Size',
  sizeExample: '4 x 6 in',
  sizeUnread: 'That size cannot be read.',
  sitsIn: 'What they sit in',
  corner: 'Corner they stand in',
  toCorner: (corner: string, moved: number, there: number, left: number) =>
    [
      `${corner}: ${countedThat(moved, 'set', 'gets its', 'get their')} place there, by its order.`,
      ...(there > 0 ? [`${countedThat(there, 'set', 'stands', 'stand')} there already.`] : []),
      ...(left > 0 ? [`For ${counted(left, 'set')} there is no room.`] : []),
    ].join(' '),
  carry: 'Their addresses change with it: carry them over when it is done.',
  note: 'Add to the notes',
  stays: 'stays as it is',
  change: (field: WishField, changes: number, of: number) =>
    changes === of
      ? `${FIELDS[field]}: ${countedThat(of, 'set', 'changes', 'change')}.`
      : `${FIELDS[field]}: ${countedThat(changes, 'set', 'changes', 'change')}, ${figure(of - changes)} ` +
        `${of - changes === 1 ? 'is' : 'are'} so already.`,
  nothing: 'Nothing is filled in yet.',
  go: (count: number) => `Change ${counted(count, 'set')}`,
  done: (count: number) => `Changed ${counted(count, 'set')}.`,
  left: (count: number) => `${countedThat(count, 'set', 'was', 'were')} left as before: no room for more.`,
} as const
