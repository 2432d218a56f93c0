import { expose } from 'comlink'
import { bookApi } from '~/areas/index/book/book.worker'
import { cardsApi } from '~/areas/index/cards/cards.worker'
import { labelsApi } from '~/areas/index/labels/labels.worker'

/**
 * All that lays out and prints is one file to the browser: most of it is the library that writes PDF. Each page hires a worker of its
 * own, by the name of the part that it asks.
 */
const presses = { book: bookApi, cards: cardsApi, labels: labelsApi }
const isPress = (name: string): name is keyof typeof presses => Object.hasOwn(presses, name)
if (isPress(self.name)) expose(presses[self.name])
else throw new Error(`no press of the name ${self.name}`)
