// What if a word is longer than its place on a drawing?

/** Width of a letter against the size of the type, on average. */
const letter = 0.45

/**
 * Attributes of a text of SVG: letters drawn narrower where they would not fit, nothing where they do.
 * @param room units of the drawing @param size of the type, in the same
 */
export const squeezed = (words: string, room: number, size = 15): { textLength?: number; lengthAdjust?: 'spacingAndGlyphs' } =>
  words.length * letter * size > room ? { textLength: room, lengthAdjust: 'spacingAndGlyphs' } : {}
