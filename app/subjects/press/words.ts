import { figure } from '#core/grammar'

/** What is said of everything that is made to be printed. */
export const pressWords = {
  laying: 'Setting the pages',
  making: (done: number, total: number) => `Making page ${figure(done)} of ${figure(total)}`,
  cancelled: 'Stopped. No pages were made.',
  full:
    'The storage of this browser is full: what is made could not be noted, so it was not made. Make room under Copies, and try it ' +
    'once more.',
  crashed: 'The pages could not be made. Nothing is lost; please try once more.',
  open: 'Open it',
  save: 'Save it',
  missing: (letters: readonly string[]) =>
    `Our paper fonts do not have ${letters.length === 1 ? 'the letter' : 'these letters'}: ${letters.slice(0, 12).join(' ')}. ` +
    'An empty box stands for each.',
  gone: (pictures: number) =>
    pictures === 1
      ? 'This browser has lost a picture: it is left out here. A copy that you saved earlier still has it.'
      : `This browser has lost ${figure(pictures)} pictures: they are left out here. A copy that you saved earlier still has them.`,
  well: 'Once it is printed: did it come out well?',
  wellAll: 'Yes, all',
  wellSome: 'Not all',
  wellWhich: 'Leave ticked what came out well. The rest is told again.',
  wellThese: 'These came out well',
  notPrinted: 'No, or not printed',
  answered: 'That was answered in another tab meanwhile.',

  preview: 'As it will be',
  which: 'Which page',
  before: 'Page before',
  after: 'Next page',
  zoom: 'How large',
  zoomLife: 'As large as on paper',
  side: { front: 'Front', back: 'Back' },
} as const
