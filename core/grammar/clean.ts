/** Halves of a sign of two units, alone: no text can hold them, and no file keeps them. */
const HALF_SIGNS = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g
/** Signs that steer a machine and say nothing: all of Unicode's controls but tab and the ends of lines. */
const CONTROLS = /[^\P{Cc}\t\n\r]/gu

/**
 * A text without what cannot be kept in a file or seen: a soft line break from a slide becomes a space, half a sign goes. Tabs and line
 * breaks stay.
 * @example cleanText('Kelp\u000bStudy') //=> 'Kelp Study'
 */
export const cleanText = (text: string): string => text.replace(HALF_SIGNS, '').replace(CONTROLS, ' ')

/**
 * The same for what is one line, such as a name: tabs and line breaks become spaces, and none stand at either end.
 * @example cleanLine('\t Kelp\r\nStudy\u00a0') //=> 'Kelp Study'
 */
export const cleanLine = (text: string): string =>
  cleanText(text)
    .replace(/[\t\r\n]+/g, ' ')
    .trim()
