import { PICTURE_FAULTS } from '~/data/words'
import { counted, figure } from '#core/grammar'
import type { PictureFault } from '~/data/pictureSize'

/** How likeness is told. Which of several very like ones it is, the eye tells: that is why pictures stand beside it. */
const SURE_FROM = 0.97
const NEAR_FROM = 0.93

const FAULTS: Readonly<Record<PictureFault | 'noInk', string>> = {
  ...PICTURE_FAULTS,
  noInk: 'There is no ink to be seen on this photo. Is it sharp, and is the paper brighter than the ink?',
}

export const pictureWords = {
  title: 'By picture',
  lead: 'A photo of a stamped image, of the stamps themselves or of a whole set: which set is it from?',
  photo: 'Choose a photo',
  again: 'Another photo',
  photoHint: 'It stays on this machine.',
  standIn: 'Try with a made-up photo',
  noCamera: 'The made-up photo could not be fetched. Choose one of your own.',
  emptyTitle: 'Show it what you found',
  empty:
    'Lay the card, the print or the stamps on something dark, in even light, and take the photo from above. It may be turned any way ' +
    'and be as large as it likes. A drawing will do as well. You can also drop it here.',
  looking: 'Looking for the ink',
  reading: (done: number, total: number) => `${figure(done)} of ${counted(total, 'picture')} read: what is read can be found already`,
  faultOf: (fault: PictureFault | 'noInk' | undefined) =>
    fault ? FAULTS[fault] : 'That did not work. Choose the photo once more; nothing was changed.',
  ink: 'The ink on your photo. Tap a part to ask for that alone.',
  part: (at: number) => `Ask for part ${figure(at)} alone`,
  all: 'Ask for all of the ink',
  nearest: (count: number) => `The likest ${counted(count, 'set')}`,
  noPictures: 'No set has a picture yet. Take some in with a photo, and they can be found this way.',
  toTakeIn: 'Take in a set',
  none: 'No picture in the room has ink like this.',
  unpictured: (count: number) => `${counted(count, 'set')} without a picture cannot be found this way.`,
  nearness: (value: number) => {
    const some = value >= NEAR_FROM ? 'like it' : 'a little like it'
    return `${value >= SURE_FROM ? 'very like it' : some}: ${figure(Math.round(value * 100))} of 100`
  },
  pull: 'On the pull list',
} as const
