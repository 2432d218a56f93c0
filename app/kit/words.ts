import { figure } from '#core/grammar'

/** The name of the application, as titles and the head have it. */
export const PRODUCT_NAME = 'Yondercrest'

/** What is said by parts that know nothing of sets, and on buttons that mean the same everywhere. */
export const kitWords = {
  cancel: 'Cancel',
  close: 'Close',
  loading: 'Opening the room',
  typedBack: 'What you typed here before is back.',
  beginAfresh: 'Begin afresh',
  toFind: 'To all sets',
  make: (name: string) => `New: ${name}`,
  takes: (name: string) => `Enter takes ${name}`,
  showMore: (count: number) => `Show ${figure(count)} more`,
  percent: (share: number) => `${Math.round(share * 100)} %`,
} as const
